import { QueryTypes, type Sequelize, type Transaction } from 'sequelize'

/** That somebody opened a record from outside the care team, and why. */
export interface LookIn {
  readonly eventId: string
  readonly episodeId: string
  readonly personId: string
  readonly personName: string
  readonly reason: string
  readonly at: Date
}

/** Keeps who opened what from outside the care team, and knows who takes part in a stay. */
export function createLooksIn(db: Sequelize) {
  async function hasBegun(personId: string, episodeId: string): Promise<boolean> {
    const rows = await db.query(
      `SELECT 1 FROM events WHERE stream_type = 'episode' AND stream_id = :episodeId AND version = 1 AND actor = :personId LIMIT 1`,
      { type: QueryTypes.SELECT, replacements: { personId, episodeId } },
    )
    return rows.length > 0
  }
  return {
    async keep(look: LookIn, transaction: Transaction): Promise<void> {
      await db.query(
        `INSERT IGNORE INTO looks_in (event_id, episode_id, person_id, person_name, reason, at)
         VALUES (:eventId, :episodeId, :personId, :personName, :reason, :at)`,
        { type: QueryTypes.INSERT, replacements: { ...look }, transaction },
      )
    },
    /** Whether somebody said why they open a stay at or after a moment. */
    async hasLookedIn(personId: string, episodeId: string, since: Date): Promise<boolean> {
      const rows = await db.query(
        'SELECT 1 FROM looks_in WHERE person_id = :personId AND episode_id = :episodeId AND at >= :since LIMIT 1',
        { type: QueryTypes.SELECT, replacements: { personId, episodeId, since } },
      )
      return rows.length > 0
    },
    /** The newest first. */
    async list(since: Date, most: number): Promise<readonly LookIn[]> {
      const rows = await db.query<LookIn>(
        `SELECT event_id AS eventId, episode_id AS episodeId, person_id AS personId, person_name AS personName, reason, at
         FROM looks_in WHERE at >= :since ORDER BY at DESC, event_id LIMIT ${most}`,
        { type: QueryTypes.SELECT, replacements: { since } },
      )
      return rows.map((row) => ({ ...row, at: new Date(row.at) }))
    },
    async count(since: Date): Promise<number> {
      const [row] = await db.query<{ count: number }>('SELECT COUNT(*) AS count FROM looks_in WHERE at >= :since', {
        type: QueryTypes.SELECT,
        replacements: { since },
      })
      return Number(row?.count ?? 0)
    },
    /**
     * Whether somebody began a stay, or entered something of it or its cases after they had read it: an entry that was made blind, or to have
     * looked in, is not to take part.
     */
    async hasTakenPart(personId: string, episodeId: string, caseIds: readonly string[]): Promise<boolean> {
      if (caseIds.length === 0) return hasBegun(personId, episodeId)
      const rows = await db.query(
        `SELECT 1 FROM events WHERE ((stream_type = 'episode' AND stream_id = :episodeId) OR (stream_type = 'case' AND stream_id IN (:caseIds)))
         AND actor = :personId AND kind <> 'looked-in' AND received_at >=
           (SELECT MIN(first_at) FROM patient_reads WHERE person_id = :personId AND subject IN (:caseIds)) LIMIT 1`,
        { type: QueryTypes.SELECT, replacements: { personId, episodeId, caseIds } },
      )
      return rows.length > 0 || hasBegun(personId, episodeId)
    },
  }
}

export type LooksIn = ReturnType<typeof createLooksIn>
