import { isDeepStrictEqual } from 'node:util'
import type { Logger } from 'pino'
import type { Sequelize } from 'sequelize'
import { inTransaction } from '../db/in-transaction'
import type { StreamRepository } from '../repositories/streams'
import { boardRowOf } from './board-row'

/** Derives the Board's lines anew and counts what was wrong: a figure that stays 0 as long as every writer does its part. */
export interface BoardMender {
  /** Lines that were wrong so far. */
  readonly mended: number
  /** Goes through every stay that has a case on the Board, one transaction each. */
  mendAll(): Promise<void>
}

/**
 * A mender over one database; one broken stay is logged and never stops the others.
 * @param noteStay plans the cases of a stay anew, for what their plans warn of
 */
export function createBoardMender(
  db: Sequelize,
  streams: StreamRepository,
  log: Logger,
  noteStay: (episodeId: string) => Promise<void>,
): BoardMender {
  let mended = 0
  const mend = (episodeId: string): Promise<number> =>
    inTransaction(db, async (transaction) => {
      const episode = await streams.lockEpisode(episodeId, transaction)
      if (!episode) return 0
      let wrong = 0
      for (const { record, board } of await streams.lockCasesOf(episodeId, transaction)) {
        const row = JSON.parse(
          JSON.stringify(boardRowOf(record, episode.record, board.live ?? null, Date.parse(board.asOf) || 0)),
        ) as typeof board
        if (isDeepStrictEqual(row, board)) continue
        wrong++
        await streams.saveBoardRow(record.id, row, transaction)
      }
      return wrong
    })
  return {
    get mended() {
      return mended
    },
    async mendAll() {
      for (const id of await streams.liveEpisodeIds()) {
        try {
          mended += await mend(id)
          await noteStay(id)
        } catch (error) {
          log.error({ episode: id, reason: (error as Error).name }, 'the Board’s lines of a stay could not be derived')
        }
      }
    },
  }
}
