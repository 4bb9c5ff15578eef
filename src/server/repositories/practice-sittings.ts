import { QueryTypes, type Sequelize, type Transaction } from 'sequelize'
import type { MarkBody, StationMark } from '#core/practice/stations/marks'
import type { Station } from '#core/practice/stations/station'
import type { Candidate, PracticePerson, Sitting, SittingExaminer, SittingWay, TeamRole } from '#contract/records/practice'

/** What a sitting is begun with. */
export interface SittingStart {
  readonly id: string
  readonly way: SittingWay
  readonly station: Station
  readonly begunAt: Date
  readonly begunBy: string
  readonly candidates: readonly { readonly id: string; readonly role: TeamRole | null }[]
}

interface SittingRow {
  readonly id: string
  readonly way: SittingWay
  readonly station: string
  readonly begunAt: Date
}

/** Which sittings are read; of all that are asked the newest come first. */
export interface SittingFilter {
  /** Candidates, by person. */
  readonly people?: readonly string[]
  readonly stationId?: string
  readonly since?: Date
  readonly most: number
}

/** Keeps who did which station, and what was marked. Marks are only ever added. */
export function createPracticeSittings(db: Sequelize) {
  const rowsOf = <T extends object>(sql: string, replacements: Record<string, unknown>): Promise<T[]> =>
    db.query<T>(sql, { type: QueryTypes.SELECT, replacements })

  async function filled(rows: readonly SittingRow[]): Promise<readonly Sitting[]> {
    if (rows.length === 0) return []
    const ids = rows.map((row) => row.id)
    const [candidates, marks] = await Promise.all([
      rowsOf<Candidate & { readonly sittingId: string }>(
        `SELECT c.sitting_id AS sittingId, c.person_id AS id, p.name, c.role FROM practice_candidates c JOIN people p ON p.id = c.person_id
         WHERE c.sitting_id IN (:ids) ORDER BY p.name`,
        { ids },
      ),
      rowsOf<{ sittingId: string; id: string; name: string; markId: string; atMs: number; body: string }>(
        `SELECT m.sitting_id AS sittingId, m.examiner AS id, p.name, m.mark_id AS markId, m.at_ms AS atMs, m.body
         FROM practice_marks m JOIN people p ON p.id = m.examiner WHERE m.sitting_id IN (:ids) ORDER BY p.name, m.at_ms, m.mark_id`,
        { ids },
      ),
    ])
    return rows.map(({ id, way, station, begunAt }): Sitting => {
      const examiners = new Map<string, PracticePerson & { readonly marks: StationMark[] }>()
      for (const mark of marks.filter((one) => one.sittingId === id)) {
        const kept = examiners.get(mark.id) ?? { id: mark.id, name: mark.name, marks: [] }
        kept.marks.push({ id: mark.markId, atMs: mark.atMs, what: JSON.parse(mark.body) as MarkBody })
        examiners.set(mark.id, kept)
      }
      return {
        id,
        way,
        station: JSON.parse(station) as Station,
        candidates: candidates
          .filter((candidate) => candidate.sittingId === id)
          .map(({ id: personId, name, role }) => ({ id: personId, name, role })),
        begunAt: new Date(begunAt).toISOString(),
        examiners: [...examiners.values()] satisfies readonly SittingExaminer[],
      }
    })
  }

  return {
    async find(id: string): Promise<Sitting | null> {
      const rows = await rowsOf<SittingRow>('SELECT id, way, station, begun_at AS begunAt FROM practice_sittings WHERE id = :id', { id })
      return (await filled(rows))[0] ?? null
    },
    async list({ people, stationId, since, most }: SittingFilter): Promise<readonly Sitting[]> {
      if (people?.length === 0) return []
      const where = [
        ...(people ? ['id IN (SELECT sitting_id FROM practice_candidates WHERE person_id IN (:people))'] : []),
        ...(stationId === undefined ? [] : ['station_id = :stationId']),
        ...(since ? ['begun_at >= :since'] : []),
      ]
      const rows = await rowsOf<SittingRow>(
        `SELECT id, way, station, begun_at AS begunAt FROM practice_sittings
         ${where.length > 0 ? `WHERE ${where.join(' AND ')}` : ''} ORDER BY begun_at DESC, id LIMIT ${most}`,
        { people: people ?? [], stationId: stationId ?? '', since: since ?? new Date(0) },
      )
      return filled(rows)
    },
    /** Begins a sitting; one that is there already stays as it is. */
    async begin(start: SittingStart, transaction: Transaction): Promise<void> {
      const [, begun] = await db.query(
        `INSERT IGNORE INTO practice_sittings (id, way, station_id, station, begun_at, begun_by)
         VALUES (:id, :way, :stationId, :station, :begunAt, :begunBy)`,
        {
          type: QueryTypes.INSERT,
          transaction,
          replacements: { ...start, stationId: start.station.id, station: JSON.stringify(start.station), candidates: '' },
        },
      )
      if (begun === 0) return
      for (const { id, role } of start.candidates)
        await db.query('INSERT INTO practice_candidates (sitting_id, person_id, role) VALUES (:sitting, :id, :role)', {
          type: QueryTypes.INSERT,
          transaction,
          replacements: { sitting: start.id, id, role },
        })
    },
    /** Adds marks; what is there already stays as it is. */
    async add(sitting: string, examiner: string, marks: readonly StationMark[], transaction: Transaction): Promise<void> {
      for (const { id, atMs, what } of marks)
        await db.query(
          `INSERT IGNORE INTO practice_marks (sitting_id, mark_id, examiner, at_ms, body) VALUES (:sitting, :id, :examiner, :atMs, :body)`,
          { type: QueryTypes.INSERT, transaction, replacements: { sitting, id, examiner, atMs, body: JSON.stringify(what) } },
        )
    },
    async countMarks(sitting: string): Promise<number> {
      const [row] = await rowsOf<{ count: number }>('SELECT COUNT(*) AS count FROM practice_marks WHERE sitting_id = :sitting', { sitting })
      return Number(row?.count ?? 0)
    },
    /** Cases in which each person applied something that a clinician put their name beside, by technique. No case and no patient is named. */
    async supervised(people: readonly string[]): Promise<ReadonlyMap<string, Readonly<Record<string, number>>>> {
      if (people.length === 0) return new Map()
      const rows = await rowsOf<{ actor: string; technique: string; count: number }>(
        `SELECT s.actor, JSON_VALUE(c.board, '$.technique') AS technique, COUNT(DISTINCT s.case_id) AS count
         FROM countersigns s JOIN cases c ON c.id = s.case_id JOIN events e ON e.id = s.event_id
         WHERE s.actor IN (:people) AND s.signed_at IS NOT NULL AND e.kind IN ('run-started', 'step', 'applied')
         GROUP BY s.actor, technique`,
        { people },
      )
      const byPerson = new Map<string, Record<string, number>>()
      for (const { actor, technique, count } of rows) byPerson.set(actor, { ...(byPerson.get(actor) ?? {}), [technique]: Number(count) })
      return byPerson
    },
  }
}

export type PracticeSittings = ReturnType<typeof createPracticeSittings>
