import type { CaseRecord } from '#contract/records/case'
import type { EpisodeRecord, TriedRound } from '#contract/records/episode'
import { casesServed } from './related-cases'

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
