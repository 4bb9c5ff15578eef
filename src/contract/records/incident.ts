/** How much harm came of an incident. */
export const harms = ['none', 'minor', 'serious', 'death'] as const

/** Harm as it is said. */
export const harmWords: Readonly<Record<(typeof harms)[number], string>> = {
  none: 'no harm',
  minor: 'minor harm',
  serious: 'serious harm',
  death: 'death',
}

export interface IncidentBody {
  /** What happened, and what was done. */
  readonly what: string
  readonly harm: (typeof harms)[number]
  /** Of the device or material, as it is printed on it; empty where it is not known. */
  readonly lot: string
}
