import { QueryTypes, type Sequelize } from 'sequelize'

/** That somebody read something of a patient; once for a quarter of an hour, person, route and subject. */
export interface PatientRead {
  /** Start of the quarter of an hour. */
  readonly slot: Date
  readonly personId: string
  readonly personName: string
  readonly route: string
  /** The case or photo; empty for a list. */
  readonly subject: string
  /** When it was read first in that quarter. */
  readonly firstAt: Date
}

/** That somebody wrote something, without what it says. */
export interface Write {
  readonly at: Date
  readonly personId: string
  readonly personName: string
  readonly kind: string
  /** The stream: a case, a stay, a place, a person, the ward. */
  readonly subject: string
}

/** Which reads are looked for; what is left out does not narrow them. */
export interface ReadsWanted {
  readonly personId?: string
  /** What belongs to one patient: stays, cases, photos. */
  readonly subjects?: readonly string[]
  readonly from: Date
  readonly until: Date
}

/** Keeps who read what, and finds who read and wrote what. */
export function createPatientReads(db: Sequelize) {
  return {
    async keep(read: PatientRead): Promise<void> {
      await db.query(
        `INSERT IGNORE INTO patient_reads (slot, person_id, route, subject, person_name, first_at)
         VALUES (:slot, :personId, :route, :subject, :personName, :firstAt)`,
        { type: QueryTypes.INSERT, replacements: { ...read } },
      )
    },
    /** The newest first; at most one more than `most`. */
    async find({ personId, subjects, from, until }: ReadsWanted, most: number): Promise<readonly PatientRead[]> {
      if (subjects?.length === 0) return []
      const rows = await db.query<PatientRead>(
        `SELECT slot, person_id AS personId, person_name AS personName, route, subject, first_at AS firstAt FROM patient_reads
         WHERE slot >= :from AND slot < :until ${personId ? 'AND person_id = :personId' : ''} ${subjects ? 'AND subject IN (:subjects)' : ''}
         ORDER BY slot DESC, first_at DESC, person_id, route, subject LIMIT ${most + 1}`,
        { type: QueryTypes.SELECT, replacements: { personId, subjects, from, until } },
      )
      return rows.map((row) => ({ ...row, slot: new Date(row.slot), firstAt: new Date(row.firstAt) }))
    },
    /** What was written, without what it says: the newest first; at most one more than `most`. */
    async findWrites({ personId, subjects, from, until }: ReadsWanted, most: number): Promise<readonly Write[]> {
      if (subjects?.length === 0) return []
      const rows = await db.query<Write>(
        `SELECT received_at AS at, actor AS personId, actor_name AS personName, kind, stream_id AS subject FROM events
         WHERE received_at >= :from AND received_at < :until ${personId ? 'AND actor = :personId' : ''} ${subjects ? 'AND stream_id IN (:subjects)' : ''}
         ORDER BY received_at DESC, id DESC LIMIT ${most + 1}`,
        { type: QueryTypes.SELECT, replacements: { personId, subjects, from, until } },
      )
      return rows.map((row) => ({ ...row, at: new Date(row.at) }))
    },
    async photosOf(caseIds: readonly string[]): Promise<readonly string[]> {
      if (caseIds.length === 0) return []
      const rows = await db.query<{ id: string }>('SELECT id FROM photos WHERE case_id IN (:caseIds)', {
        type: QueryTypes.SELECT,
        replacements: { caseIds },
      })
      return rows.map((row) => row.id)
    },
    /** The hospital numbers of patients by their cases, stays and photos; empty where none was entered. */
    async numbersOf(subjects: readonly string[]): Promise<ReadonlyMap<string, string>> {
      if (subjects.length === 0) return new Map()
      const rows = await db.query<{ subject: string; number: string | null }>(
        `SELECT id AS subject, JSON_VALUE(board, '$.number') AS number FROM cases WHERE id IN (:subjects)
         UNION SELECT episode_id, JSON_VALUE(board, '$.number') FROM cases WHERE episode_id IN (:subjects)
         UNION SELECT photos.id, JSON_VALUE(cases.board, '$.number') FROM photos JOIN cases ON cases.id = photos.case_id WHERE photos.id IN (:subjects)`,
        { type: QueryTypes.SELECT, replacements: { subjects } },
      )
      return new Map(rows.map((row) => [row.subject, row.number ?? '']))
    },
  }
}

export type PatientReads = ReturnType<typeof createPatientReads>
