import pLimit from 'p-limit'
import { ApiError } from '../ground/api-error'
import type { WorkerPool } from '../workers/pool'
import type { Printers } from '../papers/printers'

/** Waiting for its turn included: a pack of a whole ward takes a while. */
const printMs = 30_000
/** So many papers about many patients one person may have under way. */
const mostOfPerson = 2

/** What is about many patients, and long: whoever needs a label at a bed does not wait behind it. */
const ofMany: readonly (keyof Printers)[] = ['hand-over', 'downtime', 'count-sheet', 'station-sheet']

/** Prints a paper in a thread of its own, so that nobody else waits for it. */
export type Print = <Name extends keyof Printers>(name: Name, ...args: Parameters<Printers[Name]>) => Promise<Buffer>

/** Papers of one case have a lane of their own, and those of many another. */
export function createPrint(lanes: { readonly ofCase: WorkerPool; readonly ofMany: WorkerPool }): Print {
  return async (name, ...args) => {
    const lane = ofMany.includes(name) ? lanes.ofMany : lanes.ofCase
    return Buffer.from(await lane.run('print', { name, args }, printMs))
  }
}

/** One is read while one is printed: read all at once, they would keep everybody else waiting. */
const readAtOnce = 2
/** At some two seconds each, whoever comes after so many would wait for half a minute. */
const mostWaiting = 14

/** Keeps one person from filling the lane of long papers for everybody else, and all of them from being read at once. */
export function createFewOfPerson() {
  const underWay = new Map<string, number>()
  const inTurn = pLimit(readAtOnce)
  /** @throws ApiError 429 where they have as many under way as they may, 503 where too many wait */
  return async function fewOf<T>(personId: string, work: () => Promise<T>): Promise<T> {
    const count = underWay.get(personId) ?? 0
    if (count >= mostOfPerson)
      throw new ApiError(429, 'too-many', 'Two papers of yours are being printed: wait until they are there, then ask for this one.')
    if (inTurn.pendingCount >= mostWaiting)
      throw new ApiError(503, 'too-many', 'Many long papers are being printed at this moment: ask for this one again in half a minute.')
    underWay.set(personId, count + 1)
    try {
      return await inTurn(work)
    } finally {
      const left = (underWay.get(personId) ?? 1) - 1
      if (left > 0) underWay.set(personId, left)
      else underWay.delete(personId)
    }
  }
}
