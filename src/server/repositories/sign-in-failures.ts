import { QueryTypes, type Sequelize } from 'sequelize'

/** Counts wrong sign-ins, for every server on the database. */
export function createSignInFailures(db: Sequelize) {
  return {
    /**
     * Counts one try as wrong before it is known to be: many at once are counted one by one.
     * @param key whose it is
     * @param until when the count begins anew, unless it runs already
     * @returns how many there were, this one among them, and until when they count
     */
    async count(key: string, now: Date, until: Date): Promise<{ readonly failures: number; readonly until: Date }> {
      // In one statement that says what it came to; the count is decided by the time before that is moved.
      const [counted] = await db.query(
        `INSERT INTO sign_in_failures (id, failures, until) VALUES (:key, 1, :until)
         ON DUPLICATE KEY UPDATE failures = LAST_INSERT_ID(IF(sign_in_failures.until <= :now, 1, failures + 1)),
           until = IF(sign_in_failures.until <= :now, VALUES(until), sign_in_failures.until)`,
        { type: QueryTypes.INSERT, replacements: { key, now, until } },
      )
      const [row] = await db.query<{ until: Date }>('SELECT until FROM sign_in_failures WHERE id = :key', {
        type: QueryTypes.SELECT,
        replacements: { key },
      })
      return { failures: Number(counted) || 1, until: new Date(row?.until ?? until) }
    },
    /** It was right after all. */
    async forget(key: string): Promise<void> {
      await db.query('DELETE FROM sign_in_failures WHERE id = :key', { type: QueryTypes.DELETE, replacements: { key } })
    },
    async dropOld(now: Date): Promise<void> {
      await db.query('DELETE FROM sign_in_failures WHERE until <= :now LIMIT 500', { type: QueryTypes.DELETE, replacements: { now } })
    },
  }
}

export type SignInFailures = ReturnType<typeof createSignInFailures>
