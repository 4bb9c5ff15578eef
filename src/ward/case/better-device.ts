import { bodyRegionOf } from '#core/model/vocabulary'
import type { SuitedTechnique } from '#core/techniques/rank-techniques'
import { findTechnique } from '#core/techniques/registry'
import type { CaseRecord } from '#contract/records/case'
import type { EpisodeRecord } from '#contract/records/episode'

/** A device that a case goes on with instead of the one in hand. */
export interface BetterDevice {
  readonly technique: string
  /** What is said of it; null where the one in hand was only for another part of the body. */
  readonly words: string | null
}

/**
 * The device that a case goes on with by itself: the best one where the one in hand is for another part of the body, or is stopped while
 * another is not. What is stopped is never what a case goes on with. Once something was measured, accepted or begun a person decides, and
 * the stop is said.
 * @param ranked the techniques for this case, the best first
 * @returns null where the one in hand stays
 */
export function betterDevice(record: CaseRecord, episode: EpisodeRecord, ranked: readonly SuitedTechnique[]): BetterDevice | null {
  const injury = episode.injuries[record.injuryId]
  if (!injury || injury.region === null || record.measurements.length > 0 || record.runs.length > 0 || record.accepted) return null
  const current = findTechnique(record.technique)
  const isOfPart = current !== null && [current.bodyRegion].flat().includes(bodyRegionOf(injury.region))
  const isStopped = ranked.find(({ technique }) => technique.id === record.technique)?.verdict === 'stop'
  const [best] = ranked
  if (!best || best.technique.id === record.technique || (isOfPart && !(isStopped && best.verdict !== 'stop'))) return null
  return {
    technique: best.technique.id,
    words: isOfPart ? `${current.name} is stopped here: ${best.technique.name} is chosen instead.` : null,
  }
}
