import type { WorkerPool } from '../workers/pool'
import type { Printers } from '../papers/printers'

/** Waiting for its turn included: a pack of a whole ward takes a while. */
const printMs = 30_000

/** Prints a paper in a thread of its own, so that nobody else waits for it. */
export type Print = <Name extends keyof Printers>(name: Name, ...args: Parameters<Printers[Name]>) => Promise<Buffer>

export function createPrint(pool: WorkerPool): Print {
  return async (name, ...args) => Buffer.from(await pool.run('print', { name, args }, printMs))
}
