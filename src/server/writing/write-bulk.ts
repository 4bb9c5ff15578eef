import type { Sequelize } from 'sequelize'
import { v7 as uuidv7 } from 'uuid'
import { foldCase, foldEpisode } from '#contract/events/fold'
import { eventKinds, type BodyOf, type EventKindId } from '#contract/events/index'
import { newestVersion } from '#contract/events/upcast'
import type { CaseRecord } from '#contract/records/case'
import type { EpisodeRecord } from '#contract/records/episode'
import { inTransaction } from '../db/in-transaction'
import type { EventRepository, ChainedEvent } from '../repositories/events'
import { headOf, type NewStay, type StreamHead, type StreamRepository } from '../repositories/streams'
import { boardRowOf } from '../ledger/board-row'
import { chained, type Unchained } from '../ledger/chain-event'
import type { Actor } from '../ledger/writing'

/** An event of a stay or of its case, as it was written then. */
export interface BulkEvent {
  readonly kind: EventKindId
  readonly body: object
  /** Milliseconds since the epoch. */
  readonly atMs: number
  readonly by: Actor
}

/** A stay with one case, whole: its events in the order of time. */
export interface BulkStay {
  readonly episodeId: string
  readonly caseId: string
  readonly events: readonly BulkEvent[]
}

/** An event of a bulk stay, with the body of its kind. */
export function bulkEvent<Kind extends EventKindId>(kind: Kind, body: BodyOf<Kind>, atMs: number, by: Actor): BulkEvent {
  return { kind, body, atMs, by }
}

/**
 * Writes whole stays at once: folded here, chained into their chains, and inserted together with their snapshots. For a world that is made,
 * not lived: nothing is checked as what a person sends is, and nobody is told.
 */
export async function writeBulk(
  { db, events, streams }: { readonly db: Sequelize; readonly events: EventRepository; readonly streams: StreamRepository },
  stays: readonly BulkStay[],
): Promise<void> {
  const folded = stays.map(foldStay)
  await inTransaction(db, async (transaction) => {
    await streams.insertMany(folded, transaction)
    await events.insertMany(
      folded.flatMap((one) => one.events),
      transaction,
    )
  })
}

function foldStay({ episodeId, caseId, events }: BulkStay): NewStay & { readonly events: readonly ChainedEvent[] } {
  let [episode, record]: [EpisodeRecord | null, CaseRecord | null] = [null, null]
  const heads: Record<'episode' | 'case', StreamHead> = { episode: headOf(null), case: headOf(null) }
  const kept: ChainedEvent[] = []
  for (const { kind, body, atMs, by } of events) {
    const type = eventKinds[kind].stream === 'case' ? 'case' : 'episode'
    const at = new Date(atMs).toISOString()
    const unchained: Unchained = {
      id: uuidv7({ msecs: atMs }),
      stream: { type, id: type === 'case' ? caseId : episodeId },
      kind,
      v: newestVersion(kind),
      body,
      at,
      offsetMs: 0,
      actor: by.id,
      actorName: by.name,
      receivedAt: at,
    }
    const one = chained(unchained, heads[type])
    heads[type] = one.head
    kept.push(one)
    if (type === 'case') record = foldCase(record, caseId, one.event)
    else episode = foldEpisode(episode, episodeId, one.event)
  }
  const lastMs = events.at(-1)?.atMs ?? 0
  if (!episode || !record) throw new Error('A stay that is written at once begins with its stay and its case')
  return { episode, record, heads, board: boardRowOf(record, episode, null, lastMs), at: new Date(lastMs), events: kept }
}
