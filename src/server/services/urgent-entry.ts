import type { EventInput } from '#contract/event'
import { foldCase, foldEpisode } from '#contract/events/fold'
import { findEventKind } from '#contract/events/index'
import type { CaseRecord } from '#contract/records/case'
import type { EpisodeRecord } from '#contract/records/episode'
import { standCaseRounds } from '#ward/rounds/case-rounds'
import { standingOf } from '#ward/standing/standing-of-case'
import { admitTime } from '../ledger/admit-time'
import type { Account } from '../repositories/people'
import type { StreamRepository } from '../repositories/streams'

/**
 * What an entry says of itself: nothing urgent; something urgent, which is trouble, or a look that found something urgent; or something urgent
 * that does not stand yet. Judged as it would stand in its stay; of a stay that is not known here, trouble and every look are worse than what
 * is known.
 */
export async function weighEntry(
  streams: StreamRepository,
  input: EventInput,
  author: Pick<Account, 'id' | 'name'>,
  nowMs: number,
): Promise<'quiet' | 'urgent' | 'worse'> {
  if (findEventKind(input.kind)?.isUrgent !== true) return 'quiet'
  const event = { ...input, ...admitTime({ ...input, queued: true }, nowMs), actor: author.id, actorName: author.name }
  const episodeId = input.stream.type === 'episode' ? input.stream.id : await streams.episodeOf(input.stream.id)
  const stay = episodeId === null ? null : await streams.findEpisode(episodeId)
  if (!stay) return 'worse'
  const isOfCase = input.stream.type === 'case'
  const after = isOfCase ? stay.record : foldEpisode(stay.record, stay.record.id, event)
  const ids = isOfCase ? [input.stream.id] : ((input.body as { readonly cases?: readonly string[] }).cases ?? [])
  let isUrgent = isOfCase
  for (const id of ids) {
    const found = await streams.findCase(id)
    if (!found) continue
    const record = isOfCase ? foldCase(found.record, id, event) : found.record
    const stands = urgentOf(found.record, stay.record, nowMs)
    if ([...urgentOf(record, after, nowMs)].some((one) => !stands.has(one))) return 'worse'
    const judged = standCaseRounds(record, after, nowMs).judged.find((round) => round.round.id === input.id)
    isUrgent ||= judged?.verdict.findings.some((finding) => finding.level === 'urgent') === true
  }
  return isUrgent ? 'urgent' : 'quiet'
}

/** What is urgent about a case, each by its danger and its part: the same found again is no more than was known. */
function urgentOf(record: CaseRecord, episode: EpisodeRecord, nowMs: number): ReadonlySet<string> {
  const urgent = standingOf(record, episode, null, nowMs).items.filter((item) => item.level === 'urgent')
  return new Set(urgent.map((item) => `${item.danger ?? item.text} ${JSON.stringify(item.part)}`))
}
