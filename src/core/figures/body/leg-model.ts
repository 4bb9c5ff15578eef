import { estimateGirths, estimatedGirthSdShare } from './estimate-girths'
import { footStationShares, legGirthRatios, legStationIds, legStationShares, type LegStationId } from './leg-template'
import type { Estimate } from './pool-side'

/** A place on the leg with its girth. Foot stations lie on the foot axis, from the toe tips. */
export interface LegStation {
  readonly id: LegStationId
  readonly axis: 'foot' | 'leg'
  /** cm from the toe tips (foot) or from the heel sole (leg). */
  readonly atCm: number
  readonly girthCm: number
  readonly sdCm: number
  readonly measured: Estimate | null
}

export interface LegModel {
  /** Mid-patella to heel sole, cm. */
  readonly lowerLegCm: number
  readonly footCm: number
  /** Groin to heel sole, cm. */
  readonly insideLegCm: number
  readonly stations: Readonly<Record<LegStationId, LegStation>>
}

export interface LegLengths {
  readonly lowerLegCm: number
  readonly footCm: number
  readonly insideLegCm: number
}

/**
 * The leg and foot as stations with girths, missing girths estimated from the measured ones.
 * @param girths measured girths by station
 * @param lengths segment lengths, cm, each above 0
 * @param fallbackCalfCm calf girth to scale the template by when nothing was measured: for a drawing only
 * @returns null when no girth at all was measured and there is no fallback
 */
export function buildLegModel(
  girths: Partial<Record<LegStationId, Estimate>>,
  lengths: LegLengths,
  fallbackCalfCm: number | null = null,
): LegModel | null {
  const measured: Partial<Record<LegStationId, number>> = {}
  for (const id of legStationIds) {
    const girth = girths[id]
    if (girth) measured[id] = girth.value
  }
  const filled =
    estimateGirths(measured, legGirthRatios) ?? (fallbackCalfCm === null ? null : estimateGirths({ calf: fallbackCalfCm }, legGirthRatios))
  if (!filled) return null
  const stations = {} as Record<LegStationId, LegStation>
  for (const id of legStationIds) {
    const estimate = girths[id] ?? null
    const girthCm = filled[id]
    stations[id] = {
      id,
      ...placeOf(id, lengths),
      girthCm,
      measured: estimate,
      sdCm: estimate ? estimate.sd : estimatedGirthSdShare * girthCm,
    }
  }
  return { ...lengths, stations }
}

/** Where a station lies, on which axis. */
function placeOf(id: LegStationId, lengths: LegLengths): { axis: 'foot' | 'leg'; atCm: number } {
  const { lowerLegCm, footCm, insideLegCm } = lengths
  switch (id) {
    case 'toe':
    case 'midfoot':
    case 'heel-instep':
      return { axis: 'foot', atCm: footStationShares[id] * footCm }
    case 'ankle':
    case 'calf':
    case 'below-knee':
    case 'knee':
      return { axis: 'leg', atCm: legStationShares[id] * lowerLegCm }
    case 'above-knee':
      return { axis: 'leg', atCm: lowerLegCm + 10 }
    case 'mid-thigh':
      return { axis: 'leg', atCm: (lowerLegCm + insideLegCm) / 2 }
    case 'groin':
      return { axis: 'leg', atCm: insideLegCm }
  }
}

/** Station pairs whose first girth is never the greater on a real leg. */
const girthOrder: readonly (readonly [LegStationId, LegStationId])[] = [
  ['ankle', 'calf'],
  ['ankle', 'heel-instep'],
  ['ankle', 'below-knee'],
  ['calf', 'mid-thigh'],
  ['above-knee', 'mid-thigh'],
  ['mid-thigh', 'groin'],
  ['toe', 'calf'],
]

/**
 * Measured girth pairs that stand in an order no leg has, such as an ankle wider than the calf.
 * Differences within 3 sd of the two readings are measuring error and pass.
 */
export function findGirthOrderFaults(model: LegModel): readonly (readonly [LegStation, LegStation])[] {
  return girthOrder.flatMap(([lesserId, greaterId]) => {
    const lesser = model.stations[lesserId]
    const greater = model.stations[greaterId]
    if (!lesser.measured || !greater.measured) return []
    const doubt = 3 * Math.hypot(lesser.sdCm, greater.sdCm)
    return lesser.girthCm > greater.girthCm + doubt ? [[lesser, greater] as const] : []
  })
}

const legOrder = ['ankle', 'calf', 'below-knee', 'knee', 'above-knee', 'mid-thigh', 'groin'] as const

/** Bare girth at a place on the leg axis, linear between stations, cm from the heel sole. */
export function legGirthAt(model: LegModel, atCm: number): number {
  const stations = legOrder.map((id) => model.stations[id])
  const upper = stations.findIndex((station) => station.atCm >= atCm)
  if (upper < 0) return model.stations.groin.girthCm
  const above = stations[upper]
  const below = stations[upper - 1]
  if (!above || !below) return model.stations.ankle.girthCm
  const share = (atCm - below.atCm) / (above.atCm - below.atCm)
  return below.girthCm + share * (above.girthCm - below.girthCm)
}
