import { QueryTypes, type Sequelize, type Transaction } from 'sequelize'
import type { StoredEvent, StreamType } from '#contract/event'
import type { EventRow, Models } from '../db/models'
import { createChanges } from './changes'
import { eventsOf, toEvent } from './event-rows'

/** A device has one event of a stream on its way at a time: so many may come between without its losing sight. */
const latest = 60

/** Reads and writes events; the hash of each covers the one before, so that a changed row breaks the chain. */
export function createEventRepository(db: Sequelize, models: Models) {
  const changes = createChanges(db)
  const insertMany = async (sealed: readonly ChainedEvent[], transaction: Transaction): Promise<void> => {
    await models.events.bulkCreate(sealed.map(rowOf), { transaction, validate: false })
  }
  return {
    async find(id: string, transaction?: Transaction): Promise<StoredEvent | null> {
      const row = (await models.events.findByPk(id, { ...(transaction ? { transaction } : {}), raw: true })) as unknown as EventRow | null
      return row && toEvent(row)
    },

    /** Appends a sealed event, and notes it for whoever listens. */
    async insert(sealed: ChainedEvent, transaction: Transaction): Promise<void> {
      await models.events.create(rowOf(sealed), { transaction })
      await changes.note(sealed.event.stream, sealed.event.version, transaction)
    },

    /** Appends sealed events of many streams at once, and notes each for whoever listens. */
    async appendMany(sealed: readonly ChainedEvent[], transaction: Transaction): Promise<void> {
      if (sealed.length === 0) return
      const events = sealed.map(({ event }) => event)
      await insertMany(sealed, transaction)
      await changes.noteMany(events, transaction)
    },

    /** Appends sealed events of many streams that nobody listens to yet. */
    insertMany,

    /** Ids of the latest events of a stream, up to a version. */
    async latestIds(type: string, id: string, version: number): Promise<readonly string[]> {
      const rows = await db.query<{ id: string }>(
        'SELECT id FROM events WHERE stream_type = :type AND stream_id = :id AND version <= :version AND version > :from',
        { type: QueryTypes.SELECT, replacements: { type, id, version, from: version - latest } },
      )
      return rows.map((row) => row.id)
    },

    /** Every event of one stream, oldest first. */
    ofStream: (type: StreamType, id: string, transaction?: Transaction) => eventsOf(models, type, id, transaction),
  }
}

/** An event with its place in the chain of its stream. */
export interface ChainedEvent {
  readonly event: StoredEvent
  readonly hash: string
  /** By which rule the hash was made. */
  readonly rule: number
}

function rowOf({ event, hash, rule }: ChainedEvent) {
  return {
    id: event.id,
    streamType: event.stream.type,
    streamId: event.stream.id,
    version: event.version,
    kind: event.kind,
    v: event.v,
    body: JSON.stringify(event.body),
    actor: event.actor,
    actorName: event.actorName,
    at: event.at,
    receivedAt: new Date(event.receivedAt),
    offsetMs: event.offsetMs,
    base: event.base ?? null,
    hash,
    rule,
    mark: event.mark ?? null,
    claimedAt: event.claimedAt ?? null,
  }
}

export type EventRepository = ReturnType<typeof createEventRepository>
