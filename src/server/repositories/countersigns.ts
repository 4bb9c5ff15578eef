import { QueryTypes, type Sequelize, type Transaction } from 'sequelize'
import type { StoredEvent } from '#contract/event'

/** An entry that waits, with what it says. */
export interface WaitingEntry {
  readonly eventId: string
  readonly episodeId: string
  /** Null for one of the whole stay. */
  readonly caseId: string | null
  readonly actor: string
  readonly actorName: string
  readonly at: Date
  readonly kind: string
  readonly v: number
  readonly body: unknown
}

/** Keeps which entries of trainees wait for a clinician's name beside theirs. */
export function createCountersigns(db: Sequelize) {
  return {
    async wait(event: StoredEvent, episodeId: string, transaction: Transaction): Promise<void> {
      await db.query(
        `INSERT INTO countersigns (event_id, episode_id, case_id, actor, actor_name, at)
         VALUES (:id, :episodeId, :caseId, :actor, :actorName, :at)`,
        {
          type: QueryTypes.INSERT,
          transaction,
          replacements: {
            id: event.id,
            episodeId,
            caseId: event.stream.type === 'case' ? event.stream.id : null,
            actor: event.actor,
            actorName: event.actorName,
            at: new Date(event.at),
          },
        },
      )
    },
    /** Signs what still waits of a stay and is not their own. @returns how many were signed */
    async sign(
      ids: readonly string[],
      episodeId: string,
      by: { readonly id: string; readonly name: string; readonly at: Date },
      transaction: Transaction,
    ): Promise<number> {
      const [, signed] = await db.query(
        `UPDATE countersigns SET signed_at = :at, signed_by = :name
         WHERE event_id IN (:ids) AND episode_id = :episodeId AND actor <> :id AND signed_at IS NULL`,
        { type: QueryTypes.UPDATE, transaction, replacements: { ids: [...ids], episodeId, ...by } },
      )
      return signed
    },
    async count(): Promise<number> {
      const [row] = await db.query<{ count: number }>('SELECT COUNT(*) AS count FROM countersigns WHERE signed_at IS NULL', {
        type: QueryTypes.SELECT,
      })
      return Number(row?.count ?? 0)
    },
    /** What has waited longest comes first. */
    async waiting(most: number): Promise<readonly WaitingEntry[]> {
      const rows = await db.query<Omit<WaitingEntry, 'body'> & { body: string }>(
        `SELECT c.event_id AS eventId, c.episode_id AS episodeId, c.case_id AS caseId, c.actor, c.actor_name AS actorName, c.at,
           e.kind, e.v, e.body
         FROM countersigns c JOIN events e ON e.id = c.event_id WHERE c.signed_at IS NULL ORDER BY c.at, c.event_id LIMIT ${most}`,
        { type: QueryTypes.SELECT },
      )
      return rows.map((row) => ({ ...row, at: new Date(row.at), body: JSON.parse(row.body) as unknown }))
    },
  }
}

export type Countersigns = ReturnType<typeof createCountersigns>
