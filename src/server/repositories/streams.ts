import { QueryTypes, type Sequelize, type Transaction } from 'sequelize'
import type { BoardRow } from '#contract/board'
import type { CaseRecord } from '#contract/case-record'
import type { EpisodeRecord } from '#contract/episode-record'
import type { StreamType } from '#contract/event'
import type { Models } from '../db/models'

export interface StreamHead {
  readonly version: number
  readonly headHash: string
}
export interface Snapshot<R> extends StreamHead {
  readonly record: R
}

const tables: Record<StreamType, string> = { episode: 'episodes', case: 'cases', person: 'people', place: 'places' }
const genesis = '0'.repeat(64)

/** Reads and writes stream heads and snapshots of episodes and cases. */
export function createStreamRepository(db: Sequelize, models: Models) {
  return {
    /** The head of a stream, locked until the transaction ends; version 0 when the stream does not exist. */
    async lockHead(type: StreamType, id: string, transaction: Transaction): Promise<StreamHead> {
      const rows = await db.query<{ version: number; headHash: string }>(
        `SELECT version, head_hash AS headHash FROM ${tables[type]} WHERE id = :id FOR UPDATE`,
        { type: QueryTypes.SELECT, replacements: { id }, transaction },
      )
      return rows[0] ?? { version: 0, headHash: genesis }
    },

    async findEpisode(id: string, transaction?: Transaction): Promise<Snapshot<EpisodeRecord> | null> {
      const row = (await models.episodes.findByPk(id, { ...(transaction ? { transaction } : {}), raw: true })) as unknown as {
        version: number
        headHash: string
        snapshot: string
      } | null
      return row && { version: row.version, headHash: row.headHash, record: JSON.parse(row.snapshot) as EpisodeRecord }
    },

    async findCase(id: string, transaction?: Transaction): Promise<Snapshot<CaseRecord> | null> {
      const row = (await models.cases.findByPk(id, { ...(transaction ? { transaction } : {}), raw: true })) as unknown as {
        version: number
        headHash: string
        snapshot: string
      } | null
      return row && { version: row.version, headHash: row.headHash, record: JSON.parse(row.snapshot) as CaseRecord }
    },

    async findCasesOf(episodeId: string, transaction?: Transaction): Promise<readonly Snapshot<CaseRecord>[]> {
      const rows = (await models.cases.findAll({
        where: { episodeId },
        ...(transaction ? { transaction } : {}),
        raw: true,
      })) as unknown as { version: number; headHash: string; snapshot: string }[]
      return rows.map((row) => ({ version: row.version, headHash: row.headHash, record: JSON.parse(row.snapshot) as CaseRecord }))
    },

    async saveEpisode(record: EpisodeRecord, head: StreamHead, now: Date, transaction: Transaction): Promise<void> {
      await models.episodes.upsert(
        {
          id: record.id,
          patientId: record.patientId,
          version: head.version,
          headHash: head.headHash,
          snapshot: JSON.stringify(record),
          updatedAt: now,
        },
        { transaction },
      )
    },

    async saveCase(record: CaseRecord, head: StreamHead, board: BoardRow, now: Date, transaction: Transaction): Promise<void> {
      await models.cases.upsert(
        {
          id: record.id,
          episodeId: record.episodeId,
          version: head.version,
          headHash: head.headHash,
          snapshot: JSON.stringify(record),
          board: JSON.stringify(board),
          isLive: record.removedAt === null,
          updatedAt: now,
        },
        { transaction },
      )
    },

    async saveBoardRow(caseId: string, board: BoardRow, transaction: Transaction): Promise<void> {
      await models.cases.update({ board: JSON.stringify(board) }, { where: { id: caseId }, transaction })
    },

    async liveBoardRows(): Promise<readonly BoardRow[]> {
      const rows = await db.query<{ board: string }>('SELECT board FROM cases WHERE is_live = 1', { type: QueryTypes.SELECT })
      return rows.map((row) => JSON.parse(row.board) as BoardRow)
    },
  }
}

export type StreamRepository = ReturnType<typeof createStreamRepository>
