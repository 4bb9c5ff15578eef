import { QueryTypes, type Sequelize } from 'sequelize'
import { datedInSql } from './dated-in-sql'

/** How far ids and times go back for each year before: whole steps of the first eight digits of an id, 2^16 ms each. */
const stepsAYear = 481_200
const secondsAYear = (stepsAYear * 65_536) / 1_000

/** Stays that are repeated by one statement each table. */
const atOnce = 1_000

/** An id that lies so many years earlier: its first eight digits are its time. */
const earlier = (column: string): string =>
  `CONCAT(LOWER(LPAD(HEX(CONV(LEFT(${column}, 8), 16, 10) - :steps), 8, '0')), SUBSTR(${column}, 9))`
/** Text in which the ids of the stay and of its case are those of the year before. */
const renamed = (column: string): string =>
  `REPLACE(REPLACE(${column}, c.id, ${earlier('c.id')}), c.episode_id, ${earlier('c.episode_id')})`
const back = (column: string): string => `${column} - INTERVAL :seconds SECOND`

const tables = [
  `INSERT INTO episodes (id, patient_id, version, head_hash, snapshot, fold, snapshot_version, snapshot_length, updated_at)
   SELECT ${earlier('e.id')}, ${earlier('e.patient_id')}, e.version, e.head_hash, ${renamed('e.snapshot')}, e.fold, e.snapshot_version,
     e.snapshot_length, ${back('e.updated_at')}
   FROM cases c JOIN episodes e ON e.id = c.episode_id WHERE c.id IN (:ids) ORDER BY e.id`,
  `INSERT INTO events (id, stream_type, stream_id, version, kind, v, body, actor, actor_name, at, received_at, offset_ms, base, hash, rule,
     mark, claimed_at)
   SELECT ${earlier('v.id')}, v.stream_type, ${earlier('v.stream_id')}, v.version, v.kind, v.v, ${renamed('v.body')}, v.actor, v.actor_name, v.at,
     ${back('v.received_at')}, v.offset_ms, v.base, v.hash, v.rule, v.mark, v.claimed_at
   FROM (
     SELECT 'case' AS type, id AS stream, id, episode_id FROM cases WHERE id IN (:ids)
     UNION ALL SELECT 'episode', episode_id, id, episode_id FROM cases WHERE id IN (:ids)
   ) c JOIN events v ON v.stream_type = c.type AND v.stream_id = c.stream ORDER BY v.id`,
  `INSERT INTO cases (id, episode_id, version, head_hash, snapshot, fold, snapshot_version, snapshot_length, board, is_live, search, dated,
     opened_at, updated_at)
   SELECT ${earlier('c.id')}, ${earlier('c.episode_id')}, c.version, c.head_hash, ${renamed('c.snapshot')}, c.fold, c.snapshot_version,
     c.snapshot_length, ${renamed('c.board')}, c.is_live, c.search, ${datedInSql('c.search', back('c.opened_at'))},
     ${back('c.opened_at')}, ${back('c.updated_at')}
   FROM cases c WHERE c.id IN (:ids) ORDER BY c.id`,
]

/**
 * Writes a year of ended stays once more as the one so many years before. For sizes alone: such stays are read, found and weighed like any,
 * but their chains are of other ids, and no proof holds for them.
 * @param caseIds of the year that is repeated, in the order of time
 */
export async function repeatYear(db: Sequelize, caseIds: readonly string[], yearsBefore: number): Promise<void> {
  const replacements = { steps: stepsAYear * yearsBefore, seconds: secondsAYear * yearsBefore }
  for (let from = 0; from < caseIds.length; from += atOnce) {
    const ids = caseIds.slice(from, from + atOnce)
    for (const statement of tables) await db.query(statement, { type: QueryTypes.INSERT, replacements: { ...replacements, ids } })
  }
}

/** The id that a case has in the year so many before. */
export function idYearsBefore(id: string, years: number): string {
  const first = Number.parseInt(id.slice(0, 8), 16) - stepsAYear * years
  return first.toString(16).padStart(8, '0') + id.slice(8)
}
