import { QueryTypes, type Transaction } from 'sequelize'
import type { Caution } from '#core/model/plan'
import type { BoardRow } from '#contract/api/board'
import type { CaseRecord } from '#contract/records/case'
import type { EpisodeRecord } from '#contract/records/episode'
import type { StreamType } from '#contract/event'
import { newWard, wardId, type WardRecord } from '#contract/records/ward'
import type { WardRow } from '../db/models'
import { findCases, type FoundCases, type HistoryCursor } from './find-cases'
import { streamColumns, streamSelection, type StreamHead, type StreamRow } from './snapshots'
import { headOf, inside, newStream, type LineRow, type Snapshot, type StreamRows } from './stream-rows'
import { streamTables } from './stream-tables'

/** Finds stays, cases, lines and the ward, and locks none. */
export function createStreamQueries({ db, models, episodeSnapshot, caseSnapshot, rowOf, episodeOf, demandKnown }: StreamRows) {
  return {
    /** Where a stream stands now. */
    async headOf(type: StreamType, id: string): Promise<StreamHead> {
      const rows = await db.query<{ version: number; headHash: string }>(
        `SELECT version, head_hash AS headHash FROM ${streamTables[type]} WHERE id = :id`,
        { type: QueryTypes.SELECT, replacements: { id } },
      )
      return headOf(rows[0] ?? null)
    },

    /** The stay that a case belongs to, which never changes; null for a case that does not exist. */
    episodeOf,

    async findEpisode(id: string, transaction?: Transaction): Promise<Snapshot<EpisodeRecord> | null> {
      const row = await rowOf<StreamRow>(`SELECT ${streamSelection} FROM episodes WHERE id = :id`, id, transaction)
      return row && episodeSnapshot(row, transaction)
    },
    async findCase(id: string, transaction?: Transaction): Promise<Snapshot<CaseRecord> | null> {
      const row = await rowOf<StreamRow>(`SELECT ${streamSelection} FROM cases WHERE id = :id`, id, transaction)
      demandKnown(id, row !== null)
      return row && caseSnapshot(row, transaction)
    },

    /** What the plan of a case as it was last made warns of, as its line on the Board has it; null where none was made. */
    async liveCautionsOf(id: string): Promise<readonly Caution[] | null> {
      const row = await rowOf<Pick<LineRow, 'board'>>('SELECT board FROM cases WHERE id = :id', id)
      return row && (JSON.parse(row.board) as BoardRow).live
    },

    /** Ids of the episodes that have a case on the Board, or one whose line is from before it could be found. */
    async liveEpisodeIds(): Promise<readonly string[]> {
      // Two indexes, each asked for itself: over ten years of cases one condition for both reads every row. A line that can be found has both
      // its words and its time of opening, an older one neither.
      const rows = await db.query<{ id: string }>(
        'SELECT episode_id AS id FROM cases WHERE is_live = 1 UNION SELECT episode_id FROM cases WHERE opened_at IS NULL',
        { type: QueryTypes.SELECT },
      )
      return rows.map((row) => row.id)
    },

    /** Ids of the cases of a stay. */
    async caseIdsOf(episodeId: string): Promise<readonly string[]> {
      const rows = await db.query<{ id: string }>('SELECT id FROM cases WHERE episode_id = :episodeId ORDER BY id', {
        type: QueryTypes.SELECT,
        replacements: { episodeId },
      })
      return rows.map((row) => row.id)
    },

    /** Whether any stay is of this patient. */
    async knowsPatient(patientId: string): Promise<boolean> {
      return (await models.episodes.count({ where: { patientId } })) > 0
    },

    /** Every case of a patient, with its line, the newest first. */
    async casesOfPatient(patientId: string): Promise<readonly { readonly record: CaseRecord; readonly board: BoardRow }[]> {
      const rows = await db.query<LineRow>(
        `SELECT c.id, c.version, c.head_hash AS headHash, c.fold, c.snapshot_version AS snapshotVersion,
           c.snapshot_length AS snapshotLength, c.board FROM cases c
         JOIN episodes e ON e.id = c.episode_id WHERE e.patient_id = :patientId ORDER BY c.opened_at DESC, c.id DESC`,
        { type: QueryTypes.SELECT, replacements: { patientId } },
      )
      return Promise.all(rows.map(async (row) => ({ record: (await caseSnapshot(row)).record, board: JSON.parse(row.board) as BoardRow })))
    },

    /** What leads set for the ward, with where its stream stands; what a new one begins with while nothing was set. */
    async findWard(transaction?: Transaction): Promise<Snapshot<WardRecord>> {
      const row = (await models.wards.findByPk(wardId, { ...inside(transaction), raw: true })) as unknown as WardRow | null
      return row
        ? { version: row.version, headHash: row.headHash, record: JSON.parse(row.snapshot) as WardRecord }
        : { ...newStream, record: newWard }
    },

    /** A case with its line, as they were written last. */
    async findWithLine(id: string): Promise<{ readonly record: CaseRecord; readonly board: BoardRow } | null> {
      const attributes = [...streamColumns, 'board']
      const row = (await models.cases.findByPk(id, { attributes, raw: true })) as unknown as LineRow | null
      return row && { record: (await caseSnapshot(row)).record, board: JSON.parse(row.board) as BoardRow }
    },

    /** Cases from which an incident with a lot was reported. */
    async casesNamingLot(lot: string): Promise<readonly string[]> {
      const rows = await db.query<{ id: string }>(
        `SELECT DISTINCT stream_id AS id FROM events WHERE (kind = 'incident' AND JSON_VALUE(body, '$.lot') = :lot)
         OR (kind = 'lots' AND JSON_SEARCH(body, 'one', :pattern, '!', '$.lots') IS NOT NULL)`,
        { type: QueryTypes.SELECT, replacements: { lot, pattern: lot.replace(/[!%_]/g, '!$&') } },
      )
      return rows.map((row) => row.id)
    },

    /** The case that was opened first in a stay; null where there is none. */
    async firstCaseOf(episodeId: string): Promise<string | null> {
      const [row] = await db.query<{ id: string }>('SELECT id FROM cases WHERE episode_id = :episodeId ORDER BY opened_at, id LIMIT 1', {
        type: QueryTypes.SELECT,
        replacements: { episodeId },
      })
      return row?.id ?? null
    },

    /** Cases found by words, the newest first; see there. */
    findCases: (words: readonly string[], before: HistoryCursor | null, count: number, patienceMs?: number): Promise<FoundCases> =>
      findCases(db, words, before, count, patienceMs),

    async liveBoardRows(): Promise<readonly BoardRow[]> {
      const rows = await db.query<{ board: string }>('SELECT board FROM cases WHERE is_live = 1', { type: QueryTypes.SELECT })
      return rows.map((row) => ({ ...(JSON.parse(row.board) as BoardRow), live: null, search: '' }))
    },
  }
}
