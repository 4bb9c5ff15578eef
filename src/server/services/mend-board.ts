import { isDeepStrictEqual } from 'node:util'
import type { Logger } from 'pino'
import type { Sequelize } from 'sequelize'
import { inTransaction } from '../db/in-transaction'
import type { Changes } from '../repositories/changes'
import type { StreamRepository } from '../repositories/streams'
import { boardRowOf } from '../ledger/board-row'

/** Derives the Board's lines anew and counts what was wrong: a figure that stays 0 as long as every writer does its part. */
export interface BoardMender {
  /** Lines that were wrong so far. */
  readonly mended: number
  /** Goes through every stay that has a case on the Board, one transaction each; what fails is logged and left to the next time. */
  mendAll(): Promise<void>
}

export interface BoardMenderDeps {
  readonly db: Sequelize
  readonly streams: StreamRepository
  readonly changes: Pick<Changes, 'note'>
  readonly log: Logger
  /** Plans the cases of a stay anew, for what their plans warn of. */
  readonly planStay: (episodeId: string) => Promise<void>
  /** The server is asked to stop: what is left is left to the next one. */
  readonly stopping?: AbortSignal | undefined
}

/** A mender over one database; one broken stay is logged and never stops the others. */
export function createBoardMender({ db, streams, changes, log, planStay, stopping }: BoardMenderDeps): BoardMender {
  let mended = 0
  const mend = (episodeId: string): Promise<number> =>
    inTransaction(db, async (transaction) => {
      const episode = await streams.lockEpisode(episodeId, transaction)
      if (!episode) return 0
      let wrong = 0
      for (const { record, version, board } of await streams.lockCasesOf(episodeId, transaction)) {
        const row = JSON.parse(
          JSON.stringify(boardRowOf(record, episode.record, board.live ?? null, Date.parse(board.asOf) || 0)),
        ) as typeof board
        if (isDeepStrictEqual(row, board)) continue
        wrong++
        await streams.saveBoardRow(record.id, row, transaction)
        await changes.note({ type: 'case', id: record.id }, version, transaction)
      }
      return wrong
    })
  return {
    get mended() {
      return mended
    },
    async mendAll() {
      const ids = await streams.liveEpisodeIds().catch((error: unknown) => {
        // Nobody waits for this: a database that is away or slow at this moment must not end the server.
        log.error({ reason: (error as Error).name }, 'the Board could not be looked through')
        return []
      })
      for (const id of ids) {
        if (stopping?.aborted) return
        try {
          mended += await mend(id)
          await planStay(id)
        } catch (error) {
          if (stopping?.aborted) return
          log.error({ episode: id, reason: (error as Error).name }, 'the Board’s lines of a stay could not be derived')
        }
      }
    },
  }
}
