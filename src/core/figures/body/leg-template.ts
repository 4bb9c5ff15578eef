export const legStationIds = [
  'toe',
  'midfoot',
  'heel-instep',
  'ankle',
  'calf',
  'below-knee',
  'knee',
  'above-knee',
  'mid-thigh',
  'groin',
] as const
export type LegStationId = (typeof legStationIds)[number]

/** Template girths as ratios to the calf girth; our estimate for girths that were not measured. */
export const legGirthRatios: Record<LegStationId, number> = {
  toe: 0.64,
  midfoot: 0.66,
  'heel-instep': 0.9,
  ankle: 0.61,
  calf: 1,
  'below-knee': 0.92,
  knee: 1,
  'above-knee': 1.1,
  'mid-thigh': 1.42,
  groin: 1.58,
}

/** Expected calf girth as a share of stature. */
export const calfShareOfStature = 0.21

/** Where the ankle, calf, below-knee and knee stations lie, as a share of lower leg length from the sole. */
export const legStationShares = { ankle: 0.2, calf: 0.68, 'below-knee': 0.88, knee: 1 } as const

/** Where the foot stations lie, as a share of foot length from the toe tips. */
export const footStationShares = { toe: 0.28, midfoot: 0.5, 'heel-instep': 0.8 } as const
