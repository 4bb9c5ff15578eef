import type { EventInput } from '#contract/event'
import type { EventKind } from '#contract/events/kind'
import { findEventKind } from '#contract/events/index'
import type { Account } from '../repositories/people'
import type { StreamRepository } from '../repositories/streams'
import type { CareTeam } from './care-team'

/**
 * Lets an event through that copies from other records where its author may read those: what is copied is read in the record that it comes
 * to, and a merge would tell the name that a reason is asked for.
 * @throws ApiError 403 `say-why`, with the stay that the reason is said of
 */
export async function admitCopies(
  { careTeam, streams }: { readonly careTeam: CareTeam; readonly streams: Pick<StreamRepository, 'episodeOf'> },
  { kind, body, stream }: EventInput,
  author: Account,
): Promise<void> {
  const known = findEventKind(kind) as EventKind | null
  const own = stream.type === 'case' ? await streams.episodeOf(stream.id) : stream.id
  for (const id of known?.copiesFrom?.(body as object) ?? []) {
    const episodeId = (await streams.episodeOf(id)) ?? id
    // Of the stay that it is written in nothing is told that was not there.
    if (episodeId !== own) await careTeam.admitToStay(author, episodeId)
  }
}
