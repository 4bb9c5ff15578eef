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
  /** Whose name alone will do; null where any clinician's does. A person without an account is stood for by a lead. */
  readonly signer: Signer | null
}

/** Who has to sign: a person, or any lead. */
export type Signer = { readonly id: string; readonly name: string } | 'lead'

/** Who wants to sign. */
export interface SigningPerson {
  readonly id: string
  /** Signs for somebody without an account. */
  readonly standsIn: boolean
}

/** Stands in a row for any lead. */
const leadId = 'lead'
/** May sign: nobody for themselves; where a name is asked for, that person, or a lead where that person's account has ended. */
const maySign = `c.signed_at IS NULL AND c.actor <> :id
  AND (c.signer IS NULL OR c.signer = :id OR (:standsIn AND (c.signer = '${leadId}' OR COALESCE(p.is_active, 0) = 0)))`
const withSigner = 'countersigns c LEFT JOIN people p ON p.id = c.signer'

/** Keeps which entries of trainees wait for a clinician's name beside theirs. */
export function createCountersigns(db: Sequelize) {
  return {
    /** @param signer whose name alone will do; null where any clinician's does */
    async wait(event: StoredEvent, episodeId: string, signer: Signer | null, transaction: Transaction): Promise<void> {
      await db.query(
        `INSERT INTO countersigns (event_id, episode_id, case_id, actor, actor_name, at, signer)
         VALUES (:id, :episodeId, :caseId, :actor, :actorName, :at, :signer)`,
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
            signer: signer === 'lead' ? leadId : (signer?.id ?? null),
          },
        },
      )
    },
    /** Signs what still waits of a stay and may be signed by them. @returns how many were signed */
    async sign(
      ids: readonly string[],
      episodeId: string,
      by: SigningPerson & { readonly name: string; readonly at: Date },
      transaction: Transaction,
    ): Promise<number> {
      const [, signed] = await db.query(
        `UPDATE ${withSigner} SET c.signed_at = :at, c.signed_by = :name
         WHERE c.event_id IN (:ids) AND c.episode_id = :episodeId AND ${maySign}`,
        { type: QueryTypes.UPDATE, transaction, replacements: { ids: [...ids], episodeId, ...by } },
      )
      return signed
    },
    /** How many entries somebody may sign. */
    async count({ id, standsIn }: SigningPerson): Promise<number> {
      const [row] = await db.query<{ count: number }>(`SELECT COUNT(*) AS count FROM ${withSigner} WHERE ${maySign}`, {
        type: QueryTypes.SELECT,
        replacements: { id, standsIn },
      })
      return Number(row?.count ?? 0)
    },
    /** What has waited longest comes first. */
    async waiting(most: number): Promise<readonly WaitingEntry[]> {
      const rows = await db.query<Row>(
        `SELECT c.event_id AS eventId, c.episode_id AS episodeId, c.case_id AS caseId, c.actor, c.actor_name AS actorName, c.at,
           e.kind, e.v, e.body, c.signer AS signerId, p.name AS signerName, COALESCE(p.is_active, 0) AS isSignerActive
         FROM ${withSigner} JOIN events e ON e.id = c.event_id WHERE c.signed_at IS NULL ORDER BY c.at, c.event_id LIMIT ${most}`,
        { type: QueryTypes.SELECT },
      )
      return rows.map(({ signerId, signerName, isSignerActive, ...row }) => ({
        ...row,
        at: new Date(row.at),
        body: JSON.parse(row.body) as unknown,
        signer: signerId === null ? null : signerName && isSignerActive ? { id: signerId, name: signerName } : ('lead' as const),
      }))
    },
  }
}

type Row = Omit<WaitingEntry, 'body' | 'signer'> & {
  readonly body: string
  readonly signerId: string | null
  readonly signerName: string | null
  readonly isSignerActive: number
}

export type Countersigns = ReturnType<typeof createCountersigns>
