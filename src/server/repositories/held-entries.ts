import { QueryTypes, type Sequelize } from 'sequelize'
import type { EventInput } from '#contract/event'
import { isRole, type Role } from '#contract/rights'
import { isInstant } from '#contract/field-schemas'
import { eventKinds } from '#contract/events/index'
import type { HeldOutcome, HeldReason } from '#contract/api/held-entries'

/** An entry that came from a device and is not taken. */
export interface HeldRow {
  readonly event: EventInput
  readonly author: string
  readonly authorName: string
  /** What they might do when the entry's ticket was given. */
  readonly roles: readonly Role[]
  readonly why: HeldReason
  /** Null where it is not known of which stay it is. */
  readonly episodeId: string | null
  readonly receivedAt: Date
}

const urgentKinds = Object.entries(eventKinds).flatMap(([kind, { isUrgent }]: [string, { readonly isUrgent?: true }]) =>
  isUrgent ? [kind] : [],
)

type StoredRow = Omit<HeldRow, 'event' | 'roles'> & { readonly event: string; readonly roles: string }

/** Keeps what was not taken until a lead has looked at it, and afterwards who decided what. */
export function createHeldEntries(db: Sequelize) {
  const columns = 'event, author, author_name AS authorName, roles, why, episode_id AS episodeId, received_at AS receivedAt'
  const toRow = (row: StoredRow): HeldRow => ({
    ...row,
    event: JSON.parse(row.event) as EventInput,
    roles: row.roles.split(' ').filter(isRole),
    receivedAt: new Date(row.receivedAt),
  })
  return {
    /** Keeps an entry; one that is kept already stays as it is. */
    async hold({ event, author, authorName, roles, why, episodeId, receivedAt }: HeldRow): Promise<void> {
      await db.query(
        `INSERT IGNORE INTO held_entries (event_id, author, author_name, roles, why, stream_id, episode_id, at, received_at, event)
         VALUES (:id, :author, :authorName, :roles, :why, :streamId, :episodeId, :at, :receivedAt, :event)`,
        {
          type: QueryTypes.INSERT,
          replacements: {
            id: event.id,
            author,
            authorName,
            roles: roles.join(' '),
            why,
            streamId: event.stream.id,
            episodeId,
            // What no calendar has came when it was received.
            at: isInstant(event.at) ? new Date(event.at) : receivedAt,
            receivedAt,
            event: JSON.stringify(event),
          },
        },
      )
    },
    /** Those that wait, what was entered first. */
    async waiting(most: number): Promise<readonly HeldRow[]> {
      const rows = await db.query<StoredRow>(
        `SELECT ${columns} FROM held_entries WHERE settled_at IS NULL ORDER BY at, event_id LIMIT ${most}`,
        { type: QueryTypes.SELECT },
      )
      return rows.map(toRow)
    },
    /** What waits of a stay, in the order in which it was entered. */
    async ofStay(episodeId: string): Promise<readonly HeldRow[]> {
      const rows = await db.query<StoredRow>(
        `SELECT ${columns} FROM held_entries WHERE episode_id = :episodeId AND settled_at IS NULL ORDER BY at, event_id`,
        { type: QueryTypes.SELECT, replacements: { episodeId } },
      )
      return rows.map(toRow)
    },
    /** The stay of a case that is known from held entries alone; null for any other. */
    async stayOfCase(caseId: string): Promise<string | null> {
      const [row] = await db.query<{ episodeId: string }>(
        'SELECT episode_id AS episodeId FROM held_entries WHERE stream_id = :caseId AND episode_id IS NOT NULL LIMIT 1',
        { type: QueryTypes.SELECT, replacements: { caseId } },
      )
      return row?.episodeId ?? null
    },
    /** How many urgent ones of an author in a stay stood at once since a moment. */
    async stoodSince(author: string, episodeId: string, since: Date): Promise<number> {
      const [row] = await db.query<{ count: number }>(
        `SELECT COUNT(*) AS count FROM held_entries
         WHERE episode_id = :episodeId AND author = :author AND settled_how = 'stands' AND settled_at > :since
           AND JSON_VALUE(event, '$.kind') IN (:urgentKinds)`,
        { type: QueryTypes.SELECT, replacements: { author, episodeId, since, urgentKinds } },
      )
      return Number(row?.count ?? 0)
    },
    async count(): Promise<number> {
      const [row] = await db.query<{ count: number }>('SELECT COUNT(*) AS count FROM held_entries WHERE settled_at IS NULL', {
        type: QueryTypes.SELECT,
      })
      return Number(row?.count ?? 0)
    },
    /** One that waits, or null. */
    async find(id: string): Promise<HeldRow | null> {
      const [row] = await db.query<StoredRow>(`SELECT ${columns} FROM held_entries WHERE event_id = :id AND settled_at IS NULL`, {
        type: QueryTypes.SELECT,
        replacements: { id },
      })
      return row ? toRow(row) : null
    },
    /** Notes who decided what. @returns whether it still waited */
    async settle(
      id: string,
      settled: { readonly by: string; readonly at: Date; readonly how: HeldOutcome | 'stands'; readonly why: string },
    ): Promise<boolean> {
      const [, changed] = await db.query(
        `UPDATE held_entries SET settled_at = :at, settled_by = :by, settled_how = :how, settled_why = :why
         WHERE event_id = :id AND settled_at IS NULL`,
        { type: QueryTypes.UPDATE, replacements: { id, ...settled } },
      )
      return changed > 0
    },
  }
}

export type HeldEntries = ReturnType<typeof createHeldEntries>
