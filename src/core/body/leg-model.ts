import { estimateGirths, estimatedGirthSdShare } from './estimate-girths'
import { footStationShares, legGirthRatios, legStationIds, legStationShares, type LegStationId } from './leg-template'
import type { Estimate } from './resolve-measurement'

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
 * The leg and foot as stations with girths, missing girths estimated from the measured ones (COMPUTATION 2).
 * @param girths measured girths by station
 * @param lengths segment lengths, cm, each above 0
 * @returns null when no girth at all was measured
 */
export function buildLegModel(girths: Partial<Record<LegStationId, Estimate>>, lengths: LegLengths): LegModel | null {
  const measured: Partial<Record<LegStationId, number>> = {}
  for (const id of legStationIds) {
    const girth = girths[id]
    if (girth) measured[id] = girth.value
  }
  const filled = estimateGirths(measured, legGirthRatios)
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

/** Where a station lies, on which axis (COMPUTATION 2). */
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
