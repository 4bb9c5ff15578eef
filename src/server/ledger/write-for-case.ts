import type { Transaction } from 'sequelize'
import type { BodyOf, EventKindId } from '#contract/events/index'
import type { CaseRecord } from '#contract/records/case'
import type { EpisodeRecord } from '#contract/records/episode'
import type { StoredEvent } from '#contract/event'
import type { BoardRow } from '#contract/api/board'
import type { Snapshot } from '../repositories/streams'
import { ownEvent, appendNext } from './chain-event'
import { keepCaseEvent } from './keep-case-event'
import type { AppendDeps } from './writing'

/** A case with its line, locked together with its stay. */
export interface LockedCase {
  readonly locked: Snapshot<CaseRecord> & { readonly board: BoardRow }
  readonly episode: EpisodeRecord
}

/** Locks a case and its stay, in the order in which every writer does; null when there is no such case. */
export async function lockCaseAndStay(
  streams: AppendDeps['streams'],
  caseId: string,
  transaction: Transaction,
): Promise<LockedCase | null> {
  const episodeId = await streams.episodeOf(caseId, transaction)
  const episode = episodeId === null ? null : await streams.lockEpisode(episodeId, transaction)
  const locked = episode && (await streams.lockCase(caseId, transaction))
  return episode && locked ? { locked, episode: episode.record } : null
}

/** Writes an event of the server's own making into a locked case, and brings its line up to date. */
export async function writeForCase<Kind extends EventKindId>(
  deps: Pick<AppendDeps, 'events' | 'streams' | 'clock'>,
  { locked, episode }: LockedCase,
  kind: Kind,
  body: BodyOf<Kind>,
  by: Pick<StoredEvent, 'actor' | 'actorName' | 'receivedAt' | 'at'>,
  transaction: Transaction,
): Promise<{ readonly event: StoredEvent; readonly record: CaseRecord }> {
  const own = ownEvent({ type: 'case', id: locked.record.id }, kind, body, by)
  const { event, head } = await appendNext(deps.events, { ...own, at: by.at }, locked, transaction)
  return { event, record: await keepCaseEvent(deps, locked, episode, { event, head }, transaction) }
}
