import { createHash } from 'node:crypto'
import { isDeepStrictEqual } from 'node:util'
import type { Sequelize, Transaction } from 'sequelize'
import { v7 as uuidv7 } from 'uuid'
import type { StoredEvent } from '#contract/event'
import type { StockLot } from '#contract/records/store'
import { ApiError, invalidInput } from '../api-error'
import type { Clock } from '../clock'
import { inTransaction } from '../db/in-transaction'
import type { EventRepository } from '../repositories/events'
import type { StockRepository } from '../repositories/stock'
import type { StreamRepository } from '../repositories/streams'
import type { WorkerPool } from '../workers/pool'
import type { CountedLot } from './read-stock-csv'
import type { Actor } from './writing'

/** Reading a file may take so long, in a thread of its own. */
const readingMs = 10_000
const tries = 3

export interface ImportDeps {
  readonly db: Sequelize
  readonly events: EventRepository
  readonly streams: StreamRepository
  readonly stock: StockRepository
  readonly pool: WorkerPool
  readonly clock: Clock
}

/**
 * Sets the stock of a place from CSV, as `readStockCsv` reads it: in a worker, before any lock is taken, and once more when the place's
 * lots changed meanwhile.
 * @returns how many rows were taken
 * @throws ApiError 404 for an unknown place, 422 with every bad row, 503 `too-heavy`
 */
export function createStockImport(deps: ImportDeps) {
  const read = async (text: string, before: readonly StockLot[]): Promise<readonly CountedLot[]> => {
    const known = [...(await deps.stock.itemCodes())]
    const { lots, problems } = await deps.pool.run('readStockCsv', { text, known, before }, readingMs)
    if (problems.length > 0) throw invalidInput(problems)
    return lots
  }
  return async function importStock(placeId: string, text: string, actor: Actor): Promise<{ rows: number }> {
    for (let attempt = 0; attempt < tries; attempt++) {
      const before = await deps.stock.lotsOf(placeId, null)
      const lots = await read(text, before)
      const rows = await inTransaction(deps.db, (transaction) => replaceLots(deps, { placeId, text, actor, before, lots }, transaction))
      if (rows !== null) return { rows }
    }
    throw new ApiError(409, 'stale', 'The stock of this place keeps changing: import it again in a moment.')
  }
}

interface Import {
  readonly placeId: string
  readonly text: string
  readonly actor: Actor
  readonly before: readonly StockLot[]
  readonly lots: readonly CountedLot[]
}

/** Keeps what was read; null when the lots are no longer those that it was read against. */
async function replaceLots(
  deps: ImportDeps,
  { placeId, text, actor, before, lots }: Import,
  transaction: Transaction,
): Promise<number | null> {
  const head = await deps.streams.lockHead('place', placeId, transaction)
  if (head.version === 0) throw new ApiError(404, 'not-found', 'There is no such place: choose one from the list.')
  if (!isDeepStrictEqual(await deps.stock.lotsOf(placeId, null, transaction), before)) return null
  const now = new Date(deps.clock()).toISOString()
  const event: StoredEvent = {
    id: uuidv7(),
    stream: { type: 'place', id: placeId },
    kind: 'stock-imported',
    v: 1,
    body: { rows: lots.length, sha256: createHash('sha256').update(text).digest('hex') },
    at: now,
    offsetMs: 0,
    actor: actor.id,
    actorName: actor.name,
    receivedAt: now,
    version: head.version + 1,
  }
  const headHash = await deps.events.insert(event, head.headHash, transaction)
  await deps.stock.replaceLots(
    placeId,
    lots.map((one) => one.lot),
    transaction,
  )
  await deps.stock.addMovements(
    lots.map(({ lot, delta }) => ({
      eventId: event.id,
      placeId,
      itemCode: lot.itemCode,
      lotId: lot.lotId,
      delta,
      kind: 'imported',
      caseId: null,
      actorName: actor.name,
      at: new Date(now),
    })),
    transaction,
  )
  await deps.stock.saveHead(placeId, { version: event.version, headHash }, transaction)
  return lots.length
}
