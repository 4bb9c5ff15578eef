export const armStationIds = ['hand', 'wrist', 'mid-forearm', 'forearm', 'elbow'] as const
export type ArmStationId = (typeof armStationIds)[number]

/** Template girths as ratios to the greatest forearm girth; our estimate for girths that were not measured. */
export const armGirthRatios: Record<ArmStationId, number> = { hand: 0.76, wrist: 0.63, 'mid-forearm': 0.88, forearm: 1, elbow: 0.98 }

/** Expected greatest forearm girth as a share of stature. */
export const forearmShareOfStature = 0.15

/** Where the forearm stations lie, as a share of the way from the wrist crease to the elbow crease; our estimate. */
export const armStationShares = { wrist: 0, 'mid-forearm': 0.5, forearm: 0.75, elbow: 1 } as const
