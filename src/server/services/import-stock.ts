import { createHash } from 'node:crypto'
import type { Sequelize, Transaction } from 'sequelize'
import type { StockLot } from '#contract/records/store'
import { ApiError, invalidInput } from '../ground/api-error'
import type { Clock } from '../ground/clock'
import { inTransaction } from '../db/in-transaction'
import type { EventRepository } from '../repositories/events'
import type { CountedLots, StockRepository } from '../repositories/stock'
import type { StreamRepository } from '../repositories/streams'
import type { WorkerPool } from '../workers/pool'
import { ownEvent, appendNext } from '../ledger/chain-event'
import type { Actor } from '../ledger/writing'

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
  const read = async (text: string, before: readonly StockLot[]): Promise<CountedLots> => {
    const known = [...(await deps.stock.itemCodes())]
    const { counted, problems } = await deps.pool.run('readStockCsv', { text, known, before }, readingMs)
    if (problems.length > 0) throw invalidInput(problems)
    return counted
  }
  return async function importStock(placeId: string, text: string, actor: Actor): Promise<{ rows: number }> {
    for (let attempt = 0; attempt < tries; attempt++) {
      const { version } = await deps.streams.headOf('place', placeId)
      const counted = await read(text, await deps.stock.lotsOf(placeId, null))
      const rows = await inTransaction(deps.db, (transaction) => replaceLots(deps, { placeId, text, actor, version, counted }, transaction))
      if (rows !== null) return { rows }
    }
    throw new ApiError(409, 'stale', 'The stock of this place keeps changing: import it again in a moment.')
  }
}

interface Import {
  readonly placeId: string
  readonly text: string
  readonly actor: Actor
  /** Where the place stood when its lots were read. */
  readonly version: number
  readonly counted: CountedLots
}

/** Keeps what was read; null when the place has moved on since its lots were read. */
async function replaceLots(
  deps: ImportDeps,
  { placeId, text, actor, version, counted }: Import,
  transaction: Transaction,
): Promise<number | null> {
  const before = await deps.streams.lockHead('place', placeId, transaction)
  if (before.version === 0) throw new ApiError(404, 'not-found', 'There is no such place: choose one from the list.')
  if (before.version !== version) return null
  const receivedAt = new Date(deps.clock()).toISOString()
  const body = { rows: counted.lotIds.length, sha256: createHash('sha256').update(text).digest('hex') }
  const by = { actor: actor.id, actorName: actor.name, receivedAt }
  const unchained = ownEvent({ type: 'place', id: placeId }, 'stock-imported', body, by)
  const { event, head } = await appendNext(deps.events, unchained, before, transaction)
  await deps.stock.replaceLots(placeId, counted, transaction)
  await deps.stock.addImported(counted, { eventId: event.id, placeId, actorName: actor.name, at: new Date(receivedAt) }, transaction)
  await deps.stock.saveHead(placeId, head, transaction)
  return counted.lotIds.length
}
