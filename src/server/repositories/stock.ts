import { QueryTypes, type Sequelize, type Transaction } from 'sequelize'
import type { StockItem } from '#core/model/clinical-case'
import type { StockLine, StockLot, StockMovement, StockPlace } from '#contract/records/store'
import { genesis } from './streams'

/** Counts of lots in columns, the n-th of each belonging together: tens of thousands pass between threads quickly like this. */
export interface CountedLots {
  readonly lotIds: readonly string[]
  readonly itemCodes: readonly string[]
  readonly lots: readonly string[]
  readonly expiresOn: readonly (string | null)[]
  readonly counts: readonly number[]
  /** Against what was there before. */
  readonly deltas: readonly number[]
}

/** Rows that are written in one statement: few enough that nobody else waits for it. */
const batch = 500

interface LotRow {
  lotId: string
  itemCode: string
  lot: string
  expiresOn: string | null
  count: number
}
export interface MovementRow {
  readonly eventId: string
  readonly placeId: string
  readonly itemCode: string
  readonly lotId: string | null
  readonly delta: number
  readonly kind: string
  readonly caseId: string | null
  readonly actorName: string
  readonly at: Date
}

/** Reads and writes places, items, lots, reservations and movements. */
export function createStockRepository(db: Sequelize) {
  const inside = (transaction?: Transaction): { transaction?: Transaction } => (transaction ? { transaction } : {})
  const lotsOf = async (placeId: string, itemCode: string | null, transaction?: Transaction): Promise<readonly StockLot[]> => {
    const rows = await db.query<LotRow>(
      `SELECT id AS lotId, item_code AS itemCode, lot, DATE_FORMAT(expires_on, '%Y-%m-%d') AS expiresOn, count FROM lots
       WHERE place_id = :placeId ${itemCode === null ? '' : 'AND item_code = :itemCode'} ORDER BY expires_on IS NULL, expires_on, lot`,
      { type: QueryTypes.SELECT, replacements: { placeId, itemCode }, ...inside(transaction) },
    )
    return rows
  }
  const addMovements = async (rows: readonly MovementRow[], transaction: Transaction): Promise<void> => {
    if (rows.length === 0) return
    const values = rows.map((row) => [
      row.eventId,
      row.placeId,
      row.itemCode,
      row.lotId,
      row.delta,
      row.kind,
      row.caseId,
      row.actorName,
      row.at,
    ])
    await db.query(
      'INSERT INTO stock_movements (event_id, place_id, item_code, lot_id, delta, kind, case_id, actor_name, at) VALUES :values',
      {
        type: QueryTypes.INSERT,
        replacements: { values },
        transaction,
      },
    )
  }
  return {
    lotsOf,

    async places(): Promise<readonly StockPlace[]> {
      return db.query<StockPlace>('SELECT id, name, kind FROM places ORDER BY name', { type: QueryTypes.SELECT })
    },
    async findPlace(id: string, transaction?: Transaction): Promise<StockPlace | null> {
      const rows = await db.query<StockPlace>('SELECT id, name, kind FROM places WHERE id = :id', {
        type: QueryTypes.SELECT,
        replacements: { id },
        ...inside(transaction),
      })
      return rows[0] ?? null
    },
    async addPlace(place: StockPlace, transaction?: Transaction): Promise<void> {
      await db.query('INSERT INTO places (id, name, kind, version, head_hash) VALUES (:id, :name, :kind, 1, :genesis)', {
        type: QueryTypes.INSERT,
        replacements: { ...place, genesis },
        ...inside(transaction),
      })
    },
    async isPlaceNamed(name: string, transaction: Transaction): Promise<boolean> {
      const rows = await db.query('SELECT id FROM places WHERE name = :name', {
        type: QueryTypes.SELECT,
        replacements: { name },
        transaction,
      })
      return rows.length > 0
    },
    /** Adds catalogue items, or renews what is known of them; their low marks stay. */
    async addItems(items: readonly { code: string; label: string; item: StockItem; lowMark: number }[]): Promise<void> {
      await db.query(
        'INSERT INTO items (code, label, data, low_mark) VALUES :rows ON DUPLICATE KEY UPDATE label = VALUES(label), data = VALUES(data)',
        {
          type: QueryTypes.RAW,
          replacements: { rows: items.map(({ code, label, item, lowMark }) => [code, label, JSON.stringify(item), lowMark]) },
        },
      )
    },
    async itemCodes(transaction?: Transaction): Promise<ReadonlySet<string>> {
      const rows = await db.query<{ code: string }>('SELECT code FROM items', { type: QueryTypes.SELECT, ...inside(transaction) })
      return new Set(rows.map((row) => row.code))
    },

    /** Every item with its lots and reservations at one place. */
    async lines(placeId: string, transaction?: Transaction): Promise<readonly StockLine[]> {
      const items = await db.query<{ code: string; label: string; data: string; lowMark: number }>(
        'SELECT code, label, data, low_mark AS lowMark FROM items ORDER BY label',
        { type: QueryTypes.SELECT, ...inside(transaction) },
      )
      const lots = await lotsOf(placeId, null, transaction)
      const reserved = await db.query<{ itemCode: string; count: number }>(
        'SELECT item_code AS itemCode, CAST(SUM(count) AS INT) AS count FROM reservations WHERE place_id = :placeId GROUP BY item_code',
        { type: QueryTypes.SELECT, replacements: { placeId }, ...inside(transaction) },
      )
      const lotsByItem = groupByItem(lots)
      const reservedByItem = new Map(reserved.map((row) => [row.itemCode, Number(row.count)]))
      return items.map((row) => ({
        itemCode: row.code,
        label: row.label,
        item: JSON.parse(row.data) as StockItem,
        lowMark: row.lowMark,
        reserved: reservedByItem.get(row.code) ?? 0,
        lots: lotsByItem.get(row.code) ?? [],
      }))
    },

    async reservedOf(placeId: string, itemCode: string, transaction: Transaction): Promise<readonly { caseId: string; count: number }[]> {
      return db.query<{ caseId: string; count: number }>(
        'SELECT case_id AS caseId, count FROM reservations WHERE place_id = :placeId AND item_code = :itemCode',
        { type: QueryTypes.SELECT, replacements: { placeId, itemCode }, transaction },
      )
    },
    /** What a case has set aside, at one place or, for null, at all of them. */
    async reservationsOfCase(
      placeId: string | null,
      caseId: string,
      transaction: Transaction,
    ): Promise<readonly { placeId: string; itemCode: string; count: number }[]> {
      return db.query<{ placeId: string; itemCode: string; count: number }>(
        `SELECT place_id AS placeId, item_code AS itemCode, count FROM reservations
         WHERE case_id = :caseId ${placeId === null ? '' : 'AND place_id = :placeId'}`,
        { type: QueryTypes.SELECT, replacements: { placeId, caseId }, transaction },
      )
    },
    /** Sets what a case has reserved of an item; 0 lets it go. */
    async setReservation(placeId: string, itemCode: string, caseId: string, count: number, transaction: Transaction): Promise<void> {
      const replacements = { placeId, itemCode, caseId, count }
      if (count <= 0) {
        await db.query('DELETE FROM reservations WHERE place_id = :placeId AND item_code = :itemCode AND case_id = :caseId', {
          type: QueryTypes.DELETE,
          replacements,
          transaction,
        })
        return
      }
      await db.query(
        'INSERT INTO reservations (place_id, item_code, case_id, count) VALUES (:placeId, :itemCode, :caseId, :count) ON DUPLICATE KEY UPDATE count = :count',
        { type: QueryTypes.INSERT, replacements, transaction },
      )
    },

    /** A lot by its id, with the place that it lies at; null when there is none. */
    async findLot(lotId: string, transaction: Transaction): Promise<(StockLot & { readonly placeId: string }) | null> {
      const rows = await db.query<LotRow & { placeId: string }>(
        `SELECT id AS lotId, place_id AS placeId, item_code AS itemCode, lot, DATE_FORMAT(expires_on, '%Y-%m-%d') AS expiresOn, count
         FROM lots WHERE id = :lotId`,
        { type: QueryTypes.SELECT, replacements: { lotId }, transaction },
      )
      return rows[0] ?? null
    },
    /** Adds a lot to a place whose row is locked. */
    async addLot(lot: StockLot, placeId: string, transaction: Transaction): Promise<void> {
      await db.query(
        'INSERT INTO lots (id, place_id, item_code, lot, expires_on, count) VALUES (:lotId, :placeId, :itemCode, :lot, :expiresOn, :count)',
        { type: QueryTypes.INSERT, replacements: { ...lot, placeId }, transaction },
      )
    },
    async setLotCount(lotId: string, count: number, transaction: Transaction): Promise<void> {
      await db.query('UPDATE lots SET count = :count WHERE id = :lotId', {
        type: QueryTypes.UPDATE,
        replacements: { lotId, count },
        transaction,
      })
    },
    /** Sets the counts of many lots at once, making those that are new. */
    async replaceLots(placeId: string, counted: CountedLots, transaction: Transaction): Promise<void> {
      for (let from = 0; from < counted.lotIds.length; from += batch) {
        const values = counted.lotIds
          .slice(from, from + batch)
          .map((lotId, index) => [
            lotId,
            placeId,
            counted.itemCodes[from + index],
            counted.lots[from + index],
            counted.expiresOn[from + index],
            counted.counts[from + index],
          ])
        await db.query(
          'INSERT INTO lots (id, place_id, item_code, lot, expires_on, count) VALUES :values ON DUPLICATE KEY UPDATE count = VALUES(count)',
          { type: QueryTypes.INSERT, replacements: { values }, transaction },
        )
      }
    },
    /** The movements of an import. */
    async addImported(
      counted: CountedLots,
      by: Pick<MovementRow, 'eventId' | 'placeId' | 'actorName' | 'at'>,
      transaction: Transaction,
    ): Promise<void> {
      for (let from = 0; from < counted.lotIds.length; from += batch) {
        const rows = counted.lotIds.slice(from, from + batch).map((lotId, index): MovementRow => ({
          ...by,
          lotId,
          itemCode: counted.itemCodes[from + index] ?? '',
          delta: counted.deltas[from + index] ?? 0,
          kind: 'imported',
          caseId: null,
        }))
        await addMovements(rows, transaction)
      }
    },
    addMovements,
    async movements(placeId: string, limit: number): Promise<readonly StockMovement[]> {
      const rows = await db.query<Omit<StockMovement, 'at' | 'id'> & { id: number; at: Date }>(
        `SELECT id, item_code AS itemCode, delta, kind, lot_id AS lotId, case_id AS caseId, actor_name AS \`by\`, at FROM stock_movements
         WHERE place_id = :placeId ORDER BY id DESC LIMIT :limit`,
        { type: QueryTypes.SELECT, replacements: { placeId, limit } },
      )
      return rows.map((row) => ({ ...row, id: String(row.id), at: new Date(row.at).toISOString() }))
    },
    /** What was taken of a lot for cases, the earliest first. */
    async takenOfLot(
      lot: string,
    ): Promise<readonly { readonly caseId: string; readonly label: string; readonly at: string; readonly by: string }[]> {
      const rows = await db.query<{ caseId: string; label: string; at: Date; by: string }>(
        `SELECT m.case_id AS caseId, i.label, m.at, m.actor_name AS \`by\` FROM lots l
         JOIN stock_movements m ON m.lot_id = l.id LEFT JOIN items i ON i.code = l.item_code
         WHERE l.lot = :lot AND m.case_id IS NOT NULL AND m.delta < 0 ORDER BY m.id`,
        { type: QueryTypes.SELECT, replacements: { lot } },
      )
      return rows.map((row) => ({ ...row, at: new Date(row.at).toISOString() }))
    },
    async saveHead(placeId: string, head: { version: number; headHash: string }, transaction: Transaction): Promise<void> {
      await db.query('UPDATE places SET version = :version, head_hash = :headHash WHERE id = :placeId', {
        type: QueryTypes.UPDATE,
        replacements: { placeId, ...head },
        transaction,
      })
    },
  }
}

export type StockRepository = ReturnType<typeof createStockRepository>

function groupByItem(lots: readonly StockLot[]): Map<string, StockLot[]> {
  const groups = new Map<string, StockLot[]>()
  for (const lot of lots) {
    const known = groups.get(lot.itemCode)
    if (known) known.push(lot)
    else groups.set(lot.itemCode, [lot])
  }
  return groups
}
