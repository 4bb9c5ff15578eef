// What is looked at where something came off: one list of words for taking off, for a change of devices and for the end of a case.

export const skinsUnder = ['intact', 'red', 'broken', 'not-seen'] as const
export const pulsesUnder = ['felt', 'not-felt', 'not-tested'] as const
export const movesUnder = ['as-before', 'less', 'not-tested'] as const
export type SkinUnder = (typeof skinsUnder)[number]
export type PulseUnder = (typeof pulsesUnder)[number]
export type MovesUnder = (typeof movesUnder)[number]

export const skinUnderWords: Readonly<Record<SkinUnder, string>> = {
  intact: 'intact',
  red: 'red',
  broken: 'broken',
  'not-seen': 'not seen',
}
export const pulseUnderWords: Readonly<Record<PulseUnder, string>> = {
  felt: 'felt',
  'not-felt': 'not felt',
  'not-tested': 'not tested',
}
export const movesUnderWords: Readonly<Record<MovesUnder, string>> = {
  'as-before': 'as before',
  less: 'less than before',
  'not-tested': 'not tested',
}

/** The place under what came off at a step, as it was found. */
export interface UnderneathBody {
  readonly runId: string
  readonly stepId: string
  readonly skin: SkinUnder
  /** Left out where it is no limb. */
  readonly pulse?: PulseUnder
  readonly moves: MovesUnder
}
