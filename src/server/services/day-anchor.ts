import { createHash } from 'node:crypto'
import { QueryTypes, type Sequelize } from 'sequelize'

/** By which rule a day's anchor is made. */
export const anchorRule = 1

/** Seals what was received before a day began, since the day of the anchor before; it covers that anchor too. */
export interface DayAnchor {
  /** `2026-11-27`, in UTC. */
  readonly day: string
  /** The day of the anchor before; null for the first. */
  readonly since: string | null
  /** Events, movements of stock, photos and reads that it covers. */
  readonly lines: number
  readonly hash: string
}

/** Rows that are read at once. */
const atOnce = 5_000

/** What is received, each with the time of receipt and as one line of everything that is kept of it. */
const kinds = [
  { table: 'events', id: 'id', at: 'received_at', line: 'hash' },
  {
    table: 'stock_movements',
    id: 'id',
    at: 'at',
    line: "CONCAT_WS('|', id, event_id, place_id, item_code, COALESCE(lot_id, ''), delta, kind, COALESCE(case_id, ''), actor_name, at)",
  },
  { table: 'photos', id: 'id', at: 'at', line: "CONCAT_WS('|', id, case_id, sha256, width, height, actor_name, at)" },
  {
    table: 'patient_reads',
    id: "CONCAT_WS('|', slot, person_id, route, subject)",
    at: 'slot',
    line: "CONCAT_WS('|', slot, person_id, route, subject, person_name, first_at)",
  },
] as const

/**
 * Works out the anchor of a day; the same rows give the same one.
 * @param before the anchor before it, null for the first of all
 */
export async function anchorOf(
  db: Sequelize,
  day: string,
  before: { readonly day: string; readonly hash: string } | null,
): Promise<DayAnchor> {
  const hash = createHash('sha256').update(`${before?.hash ?? ''}\n${before?.day ?? ''}\n${day}\n`)
  let lines = 0
  for (const { table, id, at, line } of kinds) {
    for (let after = ''; ;) {
      const rows = await db.query<{ id: string; line: string }>(
        `SELECT ${id} AS id, ${line} AS line FROM ${table}
         WHERE ${at} < :until ${before ? `AND ${at} >= :from` : ''} ${after ? `AND ${id} > :after` : ''} ORDER BY 1 LIMIT ${atOnce}`,
        { type: QueryTypes.SELECT, replacements: { until: startOf(day), from: before && startOf(before.day), after } },
      )
      for (const row of rows) hash.update(`${table} ${row.line}\n`)
      lines += rows.length
      if (rows.length < atOnce) break
      after = String(rows.at(-1)?.id)
    }
  }
  return { day, since: before?.day ?? null, lines, hash: hash.digest('hex') }
}

function startOf(day: string): Date {
  return new Date(`${day}T00:00:00.000Z`)
}

/** Every anchor by the present rule, the oldest first. */
export async function keptAnchors(db: Sequelize): Promise<readonly DayAnchor[]> {
  return db.query<DayAnchor>('SELECT day, since, line_count AS `lines`, hash FROM audit_anchors WHERE rule = :rule ORDER BY day', {
    type: QueryTypes.SELECT,
    replacements: { rule: anchorRule },
  })
}

/** Keeps an anchor unless its day has one. @returns whether this was the one that was kept */
export async function keepAnchor(db: Sequelize, { day, since, lines, hash }: DayAnchor): Promise<boolean> {
  const [, kept] = await db.query(
    'INSERT IGNORE INTO audit_anchors (day, since, line_count, hash, rule) VALUES (:day, :since, :lines, :hash, :rule)',
    {
      type: QueryTypes.INSERT,
      replacements: { day, since, lines, hash, rule: anchorRule },
    },
  )
  return kept === 1
}

/** Days whose anchor is not what the rows come to, or does not follow the one before. */
export async function wrongAnchors(db: Sequelize, anchors: readonly DayAnchor[]): Promise<readonly string[]> {
  const wrong: string[] = []
  let before: DayAnchor | null = null
  for (const kept of anchors) {
    const made: DayAnchor = await anchorOf(db, kept.day, before)
    if (kept.since !== made.since || kept.lines !== made.lines || kept.hash !== made.hash) wrong.push(kept.day)
    before = kept
  }
  return wrong
}
