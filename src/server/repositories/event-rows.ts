import { Op, type Transaction } from 'sequelize'
import type { StoredEvent, StreamType } from '#contract/event'
import type { EventRow, Models } from '../db/models'

/** An event as it was kept. */
export function toEvent(row: EventRow): StoredEvent {
  return {
    id: row.id,
    stream: { type: row.streamType, id: row.streamId },
    kind: row.kind,
    v: row.v,
    body: JSON.parse(row.body) as unknown,
    at: row.at,
    offsetMs: row.offsetMs,
    actor: row.actor,
    actorName: row.actorName,
    receivedAt: new Date(row.receivedAt).toISOString(),
    version: row.version,
    ...(row.base === null ? {} : { base: row.base }),
    ...(row.mark === null ? {} : { mark: row.mark }),
    ...(row.claimedAt === null ? {} : { claimedAt: row.claimedAt }),
  }
}

/** An event with its hash, and the rule by which that was made. */
export type KeptEvent = StoredEvent & { readonly hash: string; readonly rule: number }

export function toKept(row: EventRow): KeptEvent {
  return { ...toEvent(row), hash: row.hash, rule: row.rule }
}

/**
 * Events of one stream with their hashes, the oldest first: all of them, or those after one version up to another.
 */
export async function eventsOf(
  models: Models,
  streamType: StreamType,
  streamId: string,
  transaction?: Transaction,
  part?: { readonly after: number; readonly upTo: number },
): Promise<readonly KeptEvent[]> {
  const rows = (await models.events.findAll({
    where: { streamType, streamId, ...(part ? { version: { [Op.gt]: part.after, [Op.lte]: part.upTo } } : {}) },
    order: [['version', 'ASC']],
    ...(transaction ? { transaction } : {}),
    raw: true,
  })) as unknown as EventRow[]
  return rows.map(toKept)
}
