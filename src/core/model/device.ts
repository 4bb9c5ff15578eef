export const castMaterials = ['plaster-fast', 'plaster-slow', 'fibreglass-roll'] as const
export type CastMaterial = (typeof castMaterials)[number]

/** A cast that is already on, as far as it is known. */
export interface Device {
  readonly material?: CastMaterial
  readonly layers?: number
  readonly paddingLayers?: number
  /** Its upper end above the heel sole, cm; without it the thigh's girth says whether it is long. */
  readonly topCm?: number
  /** Minutes since it was applied. */
  readonly minutesSince?: number
  /** Level of the last round; `urgent` lifts the wait before opening. */
  readonly lastRound?: string
}
