import type { Transaction } from 'sequelize'
import type { BoardRow } from '#contract/api/board'
import type { CaseRecord } from '#contract/records/case'
import type { EpisodeRecord } from '#contract/records/episode'
import { wardId, type WardRecord } from '#contract/records/ward'
import { datedWords } from './dated-words'
import type { StreamHead } from './snapshots'
import type { StreamRows } from './stream-rows'

/** A stay with its one case as they are after their last events. */
export interface NewStay {
  readonly episode: EpisodeRecord
  readonly record: CaseRecord
  readonly heads: Readonly<Record<'episode' | 'case', StreamHead>>
  readonly board: BoardRow
  /** When the last was received. */
  readonly at: Date
}

/** A Board's line as a case keeps it. */
function columnsOf(board: BoardRow): { board: string; isLive: boolean; search: string; dated: string; openedAt: Date } {
  const openedAt = new Date(board.openedAt)
  return {
    board: JSON.stringify(board),
    isLive: board.isOnBoard,
    search: board.search,
    dated: datedWords(board.search, openedAt),
    openedAt,
  }
}

/** Writes stays, cases, lines and the ward as they are after an event. */
export function createStreamWrites({ models, episodes, cases, lockedRow }: StreamRows) {
  return {
    async saveEpisode(record: EpisodeRecord, head: StreamHead, now: Date, transaction: Transaction): Promise<void> {
      const { version, headHash } = head
      const row = { id: record.id, patientId: record.patientId, version, headHash, updatedAt: now }
      if (version === 1) return void (await models.episodes.create({ ...row, ...episodes.whole(record, head) }, { transaction }))
      const columns = episodes.changed(record, head, lockedRow(transaction, record.id))
      await models.episodes.update({ ...row, ...columns }, { where: { id: record.id }, transaction })
    },

    async saveCase(record: CaseRecord, head: StreamHead, board: BoardRow, now: Date, transaction: Transaction): Promise<void> {
      const { version, headHash } = head
      const row = { id: record.id, episodeId: record.episodeId, version, headHash, ...columnsOf(board), updatedAt: now }
      if (version === 1) return void (await models.cases.create({ ...row, ...cases.whole(record, head) }, { transaction }))
      const columns = cases.changed(record, head, lockedRow(transaction, record.id))
      await models.cases.update({ ...row, ...columns }, { where: { id: record.id }, transaction })
    },

    /** Writes stays and cases that nobody has written to before. */
    async insertMany(stays: readonly NewStay[], transaction: Transaction): Promise<void> {
      await models.episodes.bulkCreate(
        stays.map(({ episode, heads, at }) => ({
          id: episode.id,
          patientId: episode.patientId,
          ...heads.episode,
          ...episodes.whole(episode, heads.episode),
          updatedAt: at,
        })),
        { transaction, validate: false },
      )
      await models.cases.bulkCreate(
        stays.map(({ record, heads, board, at }) => ({
          id: record.id,
          episodeId: record.episodeId,
          ...heads.case,
          ...cases.whole(record, heads.case),
          ...columnsOf(board),
          updatedAt: at,
        })),
        { transaction, validate: false },
      )
    },

    async saveWard(record: WardRecord, head: StreamHead, now: Date, transaction: Transaction): Promise<void> {
      const row = { id: wardId, version: head.version, headHash: head.headHash, snapshot: JSON.stringify(record), updatedAt: now }
      await models.wards.upsert(row, { transaction })
    },

    async saveBoardRow(caseId: string, board: BoardRow, transaction: Transaction): Promise<void> {
      await models.cases.update(columnsOf(board), { where: { id: caseId }, transaction })
    },
  }
}
