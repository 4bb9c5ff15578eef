import type { RoundOutcome } from '../records/episode'
import type { CaseRecord } from '../records/case'
import type { EpisodeRecord } from '../records/episode'
import { casesServed } from './related-cases'

/** A round that was tried and not done. */
export interface TriedRound {
  readonly outcome: Exclude<RoundOutcome, 'done'>
  /** ISO 8601 UTC. */
  readonly at: string
}

/** Rounds of a case that were tried since the last one that was done, in the order of time. */
export function triedSince(record: CaseRecord, episode: EpisodeRecord): readonly TriedRound[] {
  const served = casesServed(record)
  const own = episode.rounds
    .filter((round) => !round.isBaseline && served.some((id) => round.cases.includes(id)))
    .toSorted((a, b) => Date.parse(a.at) - Date.parse(b.at))
  return own
    .slice(own.findLastIndex((round) => round.outcome === 'done') + 1)
    .flatMap(({ outcome, at }) => (outcome === 'done' ? [] : [{ outcome, at }]))
}
