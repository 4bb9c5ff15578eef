import type { EventInput } from '#contract/event'
import { foldEpisode } from '#contract/events/fold'
import { findEventKind } from '#contract/events/index'
import { standCaseRounds } from '#contract/views/case-rounds'
import type { Account } from '../repositories/people'
import type { StreamRepository } from '../repositories/streams'

/**
 * Whether an entry says of itself what is urgent: trouble, or a look that found something urgent. Judged as it would stand in its stay; of a
 * stay that is not known here, trouble and every look are.
 */
export async function isUrgentEntry(
  streams: StreamRepository,
  input: EventInput,
  author: Pick<Account, 'id' | 'name'>,
  nowMs: number,
): Promise<boolean> {
  if (findEventKind(input.kind)?.isUrgent !== true) return false
  const stay = input.stream.type === 'episode' ? await streams.findEpisode(input.stream.id) : null
  if (!stay) return true
  const episode = foldEpisode(stay.record, input.stream.id, { ...input, actor: author.id, actorName: author.name })
  for (const id of (input.body as { readonly cases?: readonly string[] }).cases ?? []) {
    const found = await streams.findCase(id)
    const judged = found && standCaseRounds(found.record, episode, nowMs).judged.find((one) => one.round.id === input.id)
    if (judged?.verdict.findings.some((finding) => finding.level === 'urgent')) return true
  }
  return false
}
