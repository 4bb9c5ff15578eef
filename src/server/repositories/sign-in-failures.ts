import { QueryTypes, type Sequelize } from 'sequelize'

/** A name whose sign-in from an address waits. */
export interface Pause {
  readonly signIn: string
  readonly address: string
  readonly until: Date
}

/** Counts wrong sign-ins, for every server on the database. */
export function createSignInFailures(db: Sequelize) {
  return {
    /**
     * Counts one try as wrong before it is known to be: many at once are counted one by one.
     * @param key whose it is
     * @param who the same in words, for admins
     * @param until when the count begins anew, unless it runs already
     * @returns how many there were, this one among them, and until when they count
     */
    async count(
      key: string,
      who: { readonly signIn: string; readonly address: string },
      now: Date,
      until: Date,
    ): Promise<{ readonly failures: number; readonly until: Date }> {
      // In one statement that says what it came to; the count is decided by the time before that is moved.
      const [counted] = await db.query(
        `INSERT INTO sign_in_failures (id, failures, until, sign_in, address) VALUES (:key, 1, :until, :signIn, :address)
         ON DUPLICATE KEY UPDATE failures = LAST_INSERT_ID(IF(sign_in_failures.until <= :now, 1, failures + 1)),
           until = IF(sign_in_failures.until <= :now, VALUES(until), sign_in_failures.until)`,
        { type: QueryTypes.INSERT, replacements: { key, now, until, signIn: who.signIn.slice(0, 60), address: who.address.slice(0, 60) } },
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
    /** Who is paused now, after more failures than `most`. */
    async paused(most: number, now: Date): Promise<readonly Pause[]> {
      const rows = await db.query<Pause>(
        'SELECT sign_in AS signIn, address, until FROM sign_in_failures WHERE failures > :most AND until > :now ORDER BY until',
        { type: QueryTypes.SELECT, replacements: { most, now } },
      )
      return rows.map((row) => ({ ...row, until: new Date(row.until) }))
    },
    /** Lets somebody try again, from wherever they did. */
    async release(signIn: string): Promise<void> {
      await db.query('DELETE FROM sign_in_failures WHERE sign_in = :signIn', { type: QueryTypes.DELETE, replacements: { signIn } })
    },
    async dropOld(now: Date): Promise<void> {
      await db.query('DELETE FROM sign_in_failures WHERE until <= :now LIMIT 500', { type: QueryTypes.DELETE, replacements: { now } })
    },
  }
}

export type SignInFailures = ReturnType<typeof createSignInFailures>
