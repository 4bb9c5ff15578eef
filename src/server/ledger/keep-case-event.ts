import type { Transaction } from 'sequelize'
import { foldCase } from '#contract/events/fold'
import type { StoredEvent } from '#contract/event'
import type { BoardRow } from '#contract/api/board'
import type { CaseRecord } from '#contract/records/case'
import type { EpisodeRecord } from '#contract/records/episode'
import type { StreamHead } from '../repositories/streams'
import { boardRowOf } from './board-row'
import type { AppendDeps } from './writing'

/**
 * What an event that stands in the ledger makes of its case: the record after it, with its line on the Board, kept.
 * @param before the case as it was locked; null for one that this event opens
 * @param head where the stream stands with the event
 */
export async function keepCaseEvent(
  deps: Pick<AppendDeps, 'streams' | 'clock'>,
  before: { readonly record: CaseRecord; readonly board: BoardRow } | null,
  episode: EpisodeRecord,
  { event, head }: { readonly event: StoredEvent; readonly head: StreamHead },
  transaction: Transaction,
): Promise<CaseRecord> {
  const record = foldCase(before?.record ?? null, event.stream.id, event)
  const board = boardRowOf(record, episode, before?.board.live ?? null, deps.clock())
  await deps.streams.saveCase(record, head, board, new Date(event.receivedAt), transaction)
  return record
}
