import { QueryTypes, type Transaction } from 'sequelize'
import type { EpisodeRecord } from '#contract/records/episode'
import type { StreamType } from '#contract/event'
import { streamColumns, streamSelection, type StreamHead, type StreamRow } from './snapshots'
import { headOf, type LineRow, type LockedCaseRow, type Snapshot, type StreamRows } from './stream-rows'
import { streamTables } from './stream-tables'

/** Reads heads, stays and cases and locks them until a transaction ends. */
export function createStreamLocks({
  db,
  models,
  noteLocked,
  episodeSnapshot,
  withLine,
  rowOf,
  rowsOf,
  episodeOf,
  demandKnown,
}: StreamRows) {
  return {
    /** The head of a stream, locked until the transaction ends; version 0 when the stream does not exist. */
    async lockHead(type: StreamType, id: string, transaction: Transaction): Promise<StreamHead> {
      const rows = await db.query<{ version: number; headHash: string }>(
        `SELECT version, head_hash AS headHash FROM ${streamTables[type]} WHERE id = :id FOR UPDATE`,
        { type: QueryTypes.SELECT, replacements: { id }, transaction },
      )
      return headOf(rows[0] ?? null)
    },

    // Locks are always taken in this order: the episode, then its cases, then places. Two writers never hold what the other waits for.

    /** An episode, locked until the transaction ends; null when it does not exist. */
    async lockEpisode(id: string, transaction: Transaction): Promise<Snapshot<EpisodeRecord> | null> {
      const row = await rowOf<StreamRow>(`SELECT ${streamSelection} FROM episodes WHERE id = :id FOR UPDATE`, id, transaction)
      if (row) noteLocked(transaction, row)
      return row && episodeSnapshot(row, transaction)
    },
    /** A case whose episode is locked. */
    async lockCase(id: string, transaction: Transaction): Promise<LockedCaseRow | null> {
      const row = await rowOf<LineRow>(`SELECT ${streamSelection}, board FROM cases WHERE id = :id FOR UPDATE`, id, transaction)
      demandKnown(id, row !== null)
      if (row) noteLocked(transaction, row)
      return row && withLine(row, transaction)
    },
    /**
     * Cases with their stays, by their ids, locked until the transaction ends: the stays first, each in the order of their ids. What there is
     * not is left out.
     */
    async lockCases(
      ids: readonly string[],
      transaction: Transaction,
    ): Promise<ReadonlyMap<string, { readonly locked: LockedCaseRow; readonly episode: EpisodeRecord }>> {
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
      const found = new Map<string, { locked: LockedCaseRow; episode: EpisodeRecord }>()
      for (const row of caseRows) {
        const episode = stays.get(stayOf.get(row.id) ?? '')
        if (!episode) continue
        found.set(row.id, { locked: await withLine(row, transaction), episode })
      }
      for (const id of ids) demandKnown(id, found.has(id))
      return found
    },
    /** Every case of a locked episode, locked in the order of their ids. */
    async lockCasesOf(episodeId: string, transaction: Transaction): Promise<readonly LockedCaseRow[]> {
      const rows = (await models.cases.findAll({
        where: { episodeId },
        order: [['id', 'ASC']],
        transaction,
        lock: true,
        attributes: [...streamColumns, 'board'],
        raw: true,
      })) as unknown as LineRow[]
      for (const row of rows) noteLocked(transaction, row)
      const locked: LockedCaseRow[] = []
      for (const row of rows) locked.push(await withLine(row, transaction))
      return locked
    },
  }
}
