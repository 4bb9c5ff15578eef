import type { CaseAnswer } from '#contract/api/answers'
import { type CaseRecord } from '#contract/records/case'
import { foldCase } from '#contract/events/fold'
import { type EpisodeRecord } from '#contract/records/episode'
import { foldEpisode } from '#contract/events/fold'
import type { EventInput } from '#contract/event'

/** An event that the server has taken, with the version that it gave its stream. */
export interface TakenEvent {
  readonly event: EventInput
  readonly version: number
}

/** What is known of one case here: the server's answer, what it took since, what still waits. */
export interface KnownHere {
  readonly base: CaseAnswer | null
  readonly caseId: string | null
  readonly episodeId: string | null
  readonly taken: readonly TakenEvent[]
  readonly pending: readonly EventInput[]
}

/** Whether an answer of the server contains a taken event. */
export function isWithin({ event, version }: TakenEvent, answer: CaseAnswer): boolean {
  return version <= (event.stream.id === answer.record.id ? answer.version : answer.episodeVersion)
}

/** Two answers about one case as one: of each of its two records the newer. */
export function mergeAnswers(a: CaseAnswer, b: CaseAnswer): CaseAnswer {
  const [caseFrom, episodeFrom] = [b.version >= a.version ? b : a, b.episodeVersion >= a.episodeVersion ? b : a]
  return {
    record: caseFrom.record,
    version: caseFrom.version,
    episode: episodeFrom.episode,
    episodeVersion: episodeFrom.episodeVersion,
    contains: caseFrom === episodeFrom ? caseFrom.contains : [...new Set([...a.contains, ...b.contains])],
    now: b.now,
  }
}

/**
 * The case as it stands here: the server's answer, then what it has taken since, then what waits, each once. An event whose answer was
 * lost may be in the answer already.
 * @returns null while there is neither an answer nor the events that open it
 */
export function foldWaiting(
  { base, caseId, episodeId, taken, pending }: KnownHere,
  writer: { readonly actor: string; readonly actorName: string },
): { readonly record: CaseRecord; readonly episode: EpisodeRecord } | null {
  let record = base?.record ?? null
  let episode = base?.episode ?? null
  const contained = new Set(base?.contains ?? [])
  const newer = [...taken].filter((one) => !base || !isWithin(one, base)).sort((a, b) => a.version - b.version)
  const seen = new Set<string>()
  for (const event of [...newer.map((one) => one.event), ...pending]) {
    if (contained.has(event.id) || seen.has(event.id)) continue
    seen.add(event.id)
    const foldable = { ...event, ...writer }
    if (event.stream.id === caseId && (record || event.kind === 'case-opened')) record = foldCase(record, event.stream.id, foldable)
    if (event.stream.id === episodeId && (episode || event.kind === 'episode-opened'))
      episode = foldEpisode(episode, event.stream.id, foldable)
  }
  return record && episode ? { record, episode } : null
}
