import type { Sequelize, Transaction } from 'sequelize'
import { ApiError } from '../ground/api-error'

const tries = 8
/** Whoever was in the way for so long will be so for longer: their page sends it again. */
const longestMs = 7_500
const firstWaitMs = 15

/** MariaDB's numbers for a deadlock, and for a lock that was waited for too long: the work may be done again from its start. */
const again = new Set([1213, 1205])
const isDuplicate = 1062
/** Of a stream and a version. */
const numberOfEvent = 'events_stream_version'

/**
 * Whether somebody else stood in the way. Locks keep that from happening on one database; at two nodes of a cluster two write the next event of
 * one stream at once, and whoever comes second finds its number given.
 */
function isInTheWay(error: unknown): boolean {
  const { errno = 0, sqlMessage = '' } = (error as { parent?: { errno?: number; sqlMessage?: string } }).parent ?? {}
  return again.has(errno) || (errno === isDuplicate && sqlMessage.includes(numberOfEvent))
}

/** The database's number of an error, or undefined. */
export function errorNumberOf(error: unknown): number | undefined {
  return (error as { parent?: { errno?: number } }).parent?.errno
}

/**
 * Does work in a transaction, and does it again when another writer stood in its way. The work must have no effect outside, and must wait for
 * each statement before the next: one that is under way when a deadlock ends the transaction would be kept by itself.
 * @throws ApiError 503 when it was in the way every time
 */
export async function inTransaction<T>(db: Sequelize, work: (transaction: Transaction) => Promise<T>): Promise<T> {
  const until = performance.now() + longestMs
  for (let attempt = 1; ; attempt++) {
    try {
      return await db.transaction(work)
    } catch (error) {
      if (!isInTheWay(error)) throw error
      if (attempt === tries || performance.now() > until)
        throw new ApiError(
          503,
          'unavailable',
          'Too many people write here at this moment: what you typed is kept, it is sent again by itself.',
        )
      // Spread, so that those who met do not meet again.
      await new Promise((resolve) => setTimeout(resolve, firstWaitMs * 2 ** Math.min(attempt, 5) * (0.5 + Math.random())))
    }
  }
}
