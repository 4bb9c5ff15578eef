import { frustumArea } from '../body/frustum'
import type { LegModel, LegStation } from '../body/leg-model'
import type { LegStationId } from '../body/leg-template'

export type LegZone = 'foot' | 'leg' | 'thigh'

const footOrder = ['toe', 'midfoot', 'heel-instep'] as const
const legOrder = ['ankle', 'calf', 'below-knee', 'knee', 'above-knee', 'mid-thigh', 'groin'] as const

/**
 * Area to wrap on the foot and leg, by zone: frusta between stations, and a margin at
 * each end at the end's girth. The leg zone ends at the knee; the thigh is above it.
 * @param top the highest covered station
 * @param girthOf the girth to wind on: bare for padding, padded for what lies over it, cm
 * @param endMarginCm beyond each end, cm
 * @returns cm² by zone
 * @example a below-knee wrap has no thigh area
 */
export function legWrapArea(
  model: LegModel,
  top: LegStationId,
  girthOf: (station: LegStation) => number,
  endMarginCm: number,
): Record<LegZone, number> {
  const areas: Record<LegZone, number> = { foot: 0, leg: 0, thigh: 0 }
  const covered = legOrder.slice(0, legOrder.indexOf(top as (typeof legOrder)[number]) + 1)
  addFrusta(model, footOrder, girthOf, () => 'foot', areas)
  addFrusta(model, covered, girthOf, (from) => (legOrder.indexOf(from) < legOrder.indexOf('knee') ? 'leg' : 'thigh'), areas)
  areas.foot += endMarginCm * girthOf(model.stations.toe)
  areas[isThigh(top) ? 'thigh' : 'leg'] += endMarginCm * girthOf(model.stations[top])
  return areas
}

function addFrusta<S extends LegStationId>(
  model: LegModel,
  order: readonly S[],
  girthOf: (station: LegStation) => number,
  zoneOf: (from: S) => LegZone,
  areas: Record<LegZone, number>,
): void {
  order.slice(1).forEach((upperId, index) => {
    const lowerId = order[index]
    if (lowerId === undefined) return
    const lower = model.stations[lowerId]
    const upper = model.stations[upperId]
    areas[zoneOf(lowerId)] += frustumArea(girthOf(lower), girthOf(upper), Math.abs(upper.atCm - lower.atCm))
  })
}

function isThigh(station: LegStationId): boolean {
  return station === 'above-knee' || station === 'mid-thigh' || station === 'groin'
}
