import { LRUCache } from 'lru-cache'
import type { Plan } from '#core/model/plan'
import { readStation } from '#core/practice/stations/read-station'
import { planOfStation } from '#core/practice/stations/shipped-stations'
import { stationContext } from '#core/practice/stations/station-context'
import type { Station } from '#core/practice/stations/station'
import { invalidInput } from '../ground/api-error'

/** So many different patients of stations are remembered. */
const mostPlans = 200

/** Plans of stations' patients, worked out once each. */
export type StationPlans = (station: Pick<Station, 'technique' | 'options' | 'patient'>) => Plan | null

export function createStationPlans(): StationPlans {
  const plans = new LRUCache<string, Plan>({ max: mostPlans })
  return ({ technique, options, patient }) => {
    const key = JSON.stringify([technique, options, patient])
    const kept = plans.get(key)
    if (kept) return kept
    const plan = planOfStation({ technique, options, patient }, stationContext)
    if (plan) plans.set(key, plan)
    return plan
  }
}

/**
 * A station that somebody sends.
 * @throws ApiError 422 that names every fault of it
 */
export function stationFrom(data: unknown, plans: StationPlans): Station {
  const { station, problems } = readStation(data, (one) => plans(one)?.procedure.steps.map((step) => step.id) ?? [])
  if (!station) throw invalidInput(problems.map(({ field, message }) => ({ code: 'format', path: `station/${field}`, message })))
  return station
}
