import { bodyRegionOf } from '#core/model/vocabulary'
import type { InjuryRecord } from '#contract/records/episode'

/** Whether the injury's region is known, and its side where the body has two. */
export function isPlaced(injury: Pick<InjuryRecord, 'region' | 'side'>): boolean {
  if (injury.region === null) return false
  const body = bodyRegionOf(injury.region)
  return body === 'neck' || body === 'trunk' || injury.side !== null
}
