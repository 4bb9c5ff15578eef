import { QueryTypes, type Sequelize, type Transaction } from 'sequelize'
import type { Caution } from '#core/model/plan'
import type { BoardRow } from '#contract/api/board'
import type { CaseRecord } from '#contract/records/case'
import type { EpisodeRecord } from '#contract/records/episode'
import type { StreamType } from '#contract/event'
import { foldCase, foldEpisode } from '#contract/events/fold'
import { newWard, wardId, type WardRecord } from '#contract/records/ward'
import type { Models, WardRow } from '../db/models'
import { ApiError } from '../ground/api-error'
import { datedWords } from './dated-words'
import { findCases, type FoundCases, type HistoryCursor } from './find-cases'
import { createSnapshots, streamColumns, streamSelection, type StreamHead, type StreamRow } from './snapshots'

export type { StreamHead }

/** A case's row with its line. */
type LineRow = StreamRow & { readonly board: string }
export interface Snapshot<R> extends StreamHead {
  readonly record: R
}

const tables: Record<StreamType, string> = { episode: 'episodes', case: 'cases', person: 'people', place: 'places', ward: 'wards' }
/** A case never changes its stay: so many are remembered. */
const mostRemembered = 10_000

const inside = (transaction?: Transaction): { transaction?: Transaction } => (transaction ? { transaction } : {})

/** What the chain of a stream begins with. */
export const genesis = '0'.repeat(64)
const newStream: StreamHead = { version: 0, headHash: genesis }

/** Where a stream stands: version 0 and the beginning of the chain when it does not exist. */
export function headOf(found: StreamHead | null): StreamHead {
  return found ?? newStream
}

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

/** Reads and writes stream heads and snapshots of episodes and cases. */
export function createStreamRepository(db: Sequelize, models: Models) {
  const episodeByCase = new Map<string, string>()
  const episodes = createSnapshots<EpisodeRecord>(db, models, { type: 'episode', table: 'episodes', fold: foldEpisode })
  const cases = createSnapshots<CaseRecord>(db, models, { type: 'case', table: 'cases', fold: foldCase })
  /** Rows that a transaction has locked: what it writes of their records depends on what is written already. */
  const locked = new WeakMap<Transaction, Map<string, StreamRow>>()
  const noteLocked = (transaction: Transaction, row: StreamRow): void => {
    const rows = locked.get(transaction) ?? new Map<string, StreamRow>()
    locked.set(transaction, rows.set(row.id, row))
  }
  const episodeSnapshot = async (row: unknown, transaction?: Transaction): Promise<Snapshot<EpisodeRecord>> => {
    const { version, headHash } = row as StreamRow
    return { version, headHash, record: await episodes.recordOf(row as StreamRow, transaction) }
  }
  const caseSnapshot = async (row: unknown, transaction?: Transaction): Promise<Snapshot<CaseRecord>> => {
    const { version, headHash } = row as StreamRow
    return { version, headHash, record: await cases.recordOf(row as StreamRow, transaction) }
  }
  /** A row by its id. Written out: what every write and every read goes through is spared the model's own work. */
  const rowOf = async <Row extends object>(sql: string, id: string, transaction?: Transaction): Promise<Row | null> => {
    const [row] = await db.query<Row>(sql, { type: QueryTypes.SELECT, replacements: { id }, ...inside(transaction) })
    return row ?? null
  }
  /** Rows by their ids, locked in the order of these. */
  const rowsOf = <Row extends object>(select: string, ids: readonly string[], transaction: Transaction): Promise<Row[]> =>
    db.query<Row>(`${select} WHERE id IN (:ids) ORDER BY id FOR UPDATE`, {
      type: QueryTypes.SELECT,
      replacements: { ids: [...ids] },
      transaction,
    })
  /** The episode that a case belongs to, which never changes; null for a case that does not exist. */
  const episodeOf = async (caseId: string, transaction?: Transaction): Promise<string | null> => {
    const known = episodeByCase.get(caseId)
    if (known !== undefined) return known
    const rows = await db.query<{ episodeId: string }>('SELECT episode_id AS episodeId FROM cases WHERE id = :caseId', {
      type: QueryTypes.SELECT,
      replacements: { caseId },
      ...inside(transaction),
    })
    const episodeId = rows[0]?.episodeId ?? null
    if (episodeId !== null) {
      if (episodeByCase.size >= mostRemembered) episodeByCase.clear()
      episodeByCase.set(caseId, episodeId)
    }
    return episodeId
  }
  /**
   * A case that was there is there for ever: where it is not found the database is not in step, as a node that comes back to its cluster, and
   * saying that there is no such case would have what was entered refused.
   * @throws ApiError 503
   */
  const demandKnown = (caseId: string, isFound: boolean): void => {
    if (!isFound && episodeByCase.has(caseId))
      throw new ApiError(503, 'unavailable', 'The database is not in step: what you typed is kept, it is sent again by itself.')
  }
  return {
    /** The head of a stream, locked until the transaction ends; version 0 when the stream does not exist. */
    async lockHead(type: StreamType, id: string, transaction: Transaction): Promise<StreamHead> {
      const rows = await db.query<{ version: number; headHash: string }>(
        `SELECT version, head_hash AS headHash FROM ${tables[type]} WHERE id = :id FOR UPDATE`,
        { type: QueryTypes.SELECT, replacements: { id }, transaction },
      )
      return headOf(rows[0] ?? null)
    },

    /** Where a stream stands now. */
    async headOf(type: StreamType, id: string): Promise<StreamHead> {
      const rows = await db.query<{ version: number; headHash: string }>(
        `SELECT version, head_hash AS headHash FROM ${tables[type]} WHERE id = :id`,
        { type: QueryTypes.SELECT, replacements: { id } },
      )
      return headOf(rows[0] ?? null)
    },

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

    // Locks are always taken in this order: the episode, then its cases, then places. Two writers never hold what the other waits for.

    /** An episode, locked until the transaction ends; null when it does not exist. */
    async lockEpisode(id: string, transaction: Transaction): Promise<Snapshot<EpisodeRecord> | null> {
      const row = await rowOf<StreamRow>(`SELECT ${streamSelection} FROM episodes WHERE id = :id FOR UPDATE`, id, transaction)
      if (row) noteLocked(transaction, row)
      return row && episodeSnapshot(row, transaction)
    },
    /** A case whose episode is locked. */
    async lockCase(id: string, transaction: Transaction): Promise<(Snapshot<CaseRecord> & { readonly board: BoardRow }) | null> {
      const row = await rowOf<LineRow>(`SELECT ${streamSelection}, board FROM cases WHERE id = :id FOR UPDATE`, id, transaction)
      demandKnown(id, row !== null)
      if (row) noteLocked(transaction, row)
      return row && { ...(await caseSnapshot(row, transaction)), board: JSON.parse(row.board) as BoardRow }
    },
    /**
     * Cases with their stays, by their ids, locked until the transaction ends: the stays first, each in the order of their ids. What there is
     * not is left out.
     */
    async lockCases(
      ids: readonly string[],
      transaction: Transaction,
    ): Promise<
      ReadonlyMap<string, { readonly locked: Snapshot<CaseRecord> & { readonly board: BoardRow }; readonly episode: EpisodeRecord }>
    > {
      const stayOf = new Map<string, string>()
      for (const id of ids) {
        const episodeId = await episodeOf(id, transaction)
        if (episodeId !== null) stayOf.set(id, episodeId)
      }
      if (stayOf.size === 0) return new Map()
      const stayRows = await rowsOf<StreamRow>(`SELECT ${streamSelection} FROM episodes`, [...new Set(stayOf.values())], transaction)
      const caseRows = await rowsOf<LineRow>(`SELECT ${streamSelection}, board FROM cases`, [...stayOf.keys()], transaction)
      for (const row of [...stayRows, ...caseRows]) noteLocked(transaction, row)
      const stays = new Map<string, EpisodeRecord>()
      for (const row of stayRows) stays.set(row.id, (await episodeSnapshot(row, transaction)).record)
      const found = new Map<string, { locked: Snapshot<CaseRecord> & { board: BoardRow }; episode: EpisodeRecord }>()
      for (const row of caseRows) {
        const episode = stays.get(stayOf.get(row.id) ?? '')
        if (!episode) continue
        found.set(row.id, { locked: { ...(await caseSnapshot(row, transaction)), board: JSON.parse(row.board) as BoardRow }, episode })
      }
      for (const id of ids) demandKnown(id, found.has(id))
      return found
    },
    /** Every case of a locked episode, locked in the order of their ids. */
    async lockCasesOf(
      episodeId: string,
      transaction: Transaction,
    ): Promise<readonly (Snapshot<CaseRecord> & { readonly board: BoardRow })[]> {
      const rows = (await models.cases.findAll({
        where: { episodeId },
        order: [['id', 'ASC']],
        transaction,
        lock: true,
        attributes: [...streamColumns, 'board'],
        raw: true,
      })) as unknown as LineRow[]
      for (const row of rows) noteLocked(transaction, row)
      const locked: (Snapshot<CaseRecord> & { readonly board: BoardRow })[] = []
      for (const row of rows) locked.push({ ...(await caseSnapshot(row, transaction)), board: JSON.parse(row.board) as BoardRow })
      return locked
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

    async saveEpisode(record: EpisodeRecord, head: StreamHead, now: Date, transaction: Transaction): Promise<void> {
      const { version, headHash } = head
      const row = { id: record.id, patientId: record.patientId, version, headHash, updatedAt: now }
      if (version === 1) return void (await models.episodes.create({ ...row, ...episodes.whole(record, head) }, { transaction }))
      const columns = episodes.changed(record, head, locked.get(transaction)?.get(record.id))
      await models.episodes.update({ ...row, ...columns }, { where: { id: record.id }, transaction })
    },

    async saveCase(record: CaseRecord, head: StreamHead, board: BoardRow, now: Date, transaction: Transaction): Promise<void> {
      const { version, headHash } = head
      const row = { id: record.id, episodeId: record.episodeId, version, headHash, ...columnsOf(board), updatedAt: now }
      if (version === 1) return void (await models.cases.create({ ...row, ...cases.whole(record, head) }, { transaction }))
      const columns = cases.changed(record, head, locked.get(transaction)?.get(record.id))
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
    async saveWard(record: WardRecord, head: StreamHead, now: Date, transaction: Transaction): Promise<void> {
      const row = { id: wardId, version: head.version, headHash: head.headHash, snapshot: JSON.stringify(record), updatedAt: now }
      await models.wards.upsert(row, { transaction })
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

    async saveBoardRow(caseId: string, board: BoardRow, transaction: Transaction): Promise<void> {
      await models.cases.update(columnsOf(board), { where: { id: caseId }, transaction })
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

export type StreamRepository = ReturnType<typeof createStreamRepository>
