import { QueryTypes, type Sequelize, type Transaction } from 'sequelize'

/** A page on its way: waiting to be sent, with the pager, refused by it, or no longer needed. */
export type PageState = 'waiting' | 'sent' | 'refused' | 'dropped'

export interface OutgoingPage {
  readonly id: string
  readonly caseId: string
  readonly callee: string
  readonly words: string
  readonly tries: number
}

/** The outbox of pages: each is written with the event that tells of it, and sent by one server at a time. */
export function createPageRepository(db: Sequelize) {
  return {
    async add(page: Omit<OutgoingPage, 'tries'>, now: Date, transaction: Transaction): Promise<void> {
      await db.query(
        `INSERT INTO pages (id, case_id, callee, words, state, tries, next_at, created_at)
         VALUES (:id, :caseId, :callee, :words, 'waiting', 0, :now, :now)`,
        { type: QueryTypes.INSERT, replacements: { ...page, now }, transaction },
      )
    },

    /** Takes pages that are due, for as long as the lease holds: nobody else sends them meanwhile. */
    async lease(by: string, now: Date, until: Date, most: number): Promise<readonly OutgoingPage[]> {
      await db.query(
        `UPDATE pages SET leased_by = :by, leased_until = :until
         WHERE state = 'waiting' AND next_at <= :now AND (leased_until IS NULL OR leased_until <= :now) ORDER BY next_at LIMIT :most`,
        { type: QueryTypes.UPDATE, replacements: { by, now, until, most } },
      )
      return db.query<OutgoingPage>(
        `SELECT id, case_id AS caseId, callee, words, tries FROM pages
         WHERE state = 'waiting' AND leased_by = :by AND leased_until = :until ORDER BY next_at`,
        { type: QueryTypes.SELECT, replacements: { by, until } },
      )
    },

    /** Ends the way of a page, and its lease. */
    async settle(id: string, state: Exclude<PageState, 'waiting'>): Promise<void> {
      await db.query('UPDATE pages SET state = :state, leased_by = NULL, leased_until = NULL WHERE id = :id', {
        type: QueryTypes.UPDATE,
        replacements: { id, state },
      })
    },

    /** Puts off a page that could not be sent, and gives it back. */
    async putOff(id: string, nextAt: Date): Promise<void> {
      await db.query('UPDATE pages SET tries = tries + 1, next_at = :nextAt, leased_by = NULL, leased_until = NULL WHERE id = :id', {
        type: QueryTypes.UPDATE,
        replacements: { id, nextAt },
      })
    },

    /** The case that a page tells of; null when there is no such page. */
    async caseOf(id: string): Promise<string | null> {
      const rows = await db.query<{ caseId: string }>('SELECT case_id AS caseId FROM pages WHERE id = :id', {
        type: QueryTypes.SELECT,
        replacements: { id },
      })
      return rows[0]?.caseId ?? null
    },
  }
}

export type PageRepository = ReturnType<typeof createPageRepository>
