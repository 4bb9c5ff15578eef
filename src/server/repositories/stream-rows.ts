import { QueryTypes, type Sequelize, type Transaction } from 'sequelize'
import type { BoardRow } from '#contract/api/board'
import type { CaseRecord } from '#contract/records/case'
import type { EpisodeRecord } from '#contract/records/episode'
import { foldCase, foldEpisode } from '#contract/events/fold'
import type { Models } from '../db/models'
import { ApiError } from '../ground/api-error'
import { createSnapshots, type StreamHead, type StreamRow } from './snapshots'

/** A case's row with its line. */
export type LineRow = StreamRow & { readonly board: string }

/** A record with where its stream stands. */
export interface Snapshot<R> extends StreamHead {
  readonly record: R
}

/** A case as it is locked, with its line. */
export type LockedCaseRow = Snapshot<CaseRecord> & { readonly board: BoardRow }
/** A case never changes its stay: so many are remembered. */
const mostRemembered = 10_000

/** What a query is given so that it belongs to a transaction, where there is one. */
export const inside = (transaction?: Transaction): { transaction?: Transaction } => (transaction ? { transaction } : {})

/** What the chain of a stream begins with. */
export const genesis = '0'.repeat(64)
/** Where a stream stands that does not exist. */
export const newStream: StreamHead = { version: 0, headHash: genesis }

/** Where a stream stands: version 0 and the beginning of the chain when it does not exist. */
export function headOf(found: StreamHead | null): StreamHead {
  return found ?? newStream
}

/** What all that reads and writes streams shares: rows, the records in them, what a transaction has locked, whose stay a case is. */
export function createStreamRows(db: Sequelize, models: Models) {
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
  /** A row's case with its line. */
  const withLine = async (row: LineRow, transaction?: Transaction): Promise<LockedCaseRow> => ({
    ...(await caseSnapshot(row, transaction)),
    board: JSON.parse(row.board) as BoardRow,
  })
  /** The row of a record as a transaction locked it. */
  const lockedRow = (transaction: Transaction, id: string): StreamRow | undefined => locked.get(transaction)?.get(id)
  return {
    db,
    models,
    episodes,
    cases,
    noteLocked,
    lockedRow,
    episodeSnapshot,
    caseSnapshot,
    withLine,
    rowOf,
    rowsOf,
    episodeOf,
    demandKnown,
  }
}

export type StreamRows = ReturnType<typeof createStreamRows>
