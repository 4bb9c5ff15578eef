import type { Sequelize } from 'sequelize'
import type { Models } from '../db/models'
import type { StreamHead } from './snapshots'
import { createStreamLocks } from './stream-locks'
import { createStreamQueries } from './stream-queries'
import { createStreamRows } from './stream-rows'
import { createStreamWrites } from './stream-writes'

export type { StreamHead }
export { genesis, headOf, type Snapshot } from './stream-rows'
export type { NewStay } from './stream-writes'

/** Reads and writes stream heads and snapshots of episodes and cases. */
export function createStreamRepository(db: Sequelize, models: Models) {
  const rows = createStreamRows(db, models)
  return { ...createStreamQueries(rows), ...createStreamLocks(rows), ...createStreamWrites(rows) }
}

export type StreamRepository = ReturnType<typeof createStreamRepository>
