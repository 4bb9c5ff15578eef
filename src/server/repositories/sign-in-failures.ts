import { QueryTypes, type Sequelize } from 'sequelize'

/** Somebody who has to wait after wrong tries. */
export interface Pause {
  readonly signIn: string
  readonly address: string
  readonly until: Date
}

/** What a try came to. */
export interface CountedTry {
  /** Wrong ones in the last hour, this one among them. */
  readonly failures: number
  /** Until when nothing is tried; null where this one may be. */
  readonly waitUntil: Date | null
}

/** Wrong tries count for so long after the first. */
const countedMs = 3_600_000
/** So many are swept by one statement. */
const atOnce = 500
/** More than any count. */
const refused = 1_000_000_000

/** Counts wrong tries of passwords and codes, for every server on the database. */
export function createSignInFailures(db: Sequelize) {
  return {
    /**
     * Counts one try as wrong before it is known to be: many at once are counted one by one.
     * @param key whose it is
     * @param who the same in words, for admins
     * @param freeTries before a wait
     * @param waitsMin after each further one, the last for all that follow; empty where nobody waits
     */
    async count(
      key: string,
      who: { readonly signIn: string; readonly address: string },
      nowMs: number,
      { freeTries, waitsMin }: { readonly freeTries: number; readonly waitsMin: readonly number[] },
    ): Promise<CountedTry> {
      const [now, until] = [new Date(nowMs), new Date(nowMs + countedMs)]
      const waits = waitsMin.map((minutes) => new Date(nowMs + minutes * 60_000))
      const isWaiting = '(sign_in_failures.until > :now AND sign_in_failures.wait_until IS NOT NULL AND sign_in_failures.wait_until > :now)'
      // In one statement that says what it came to. Columns move from left to right: the wait is the last to know how many there are.
      const [counted] = await db.query(
        `INSERT INTO sign_in_failures (id, failures, until, sign_in, address) VALUES (:key, 1, :until, :signIn, :address)
         ON DUPLICATE KEY UPDATE
           failures = IF(${isWaiting}, failures + 0 * LAST_INSERT_ID(:refused), LAST_INSERT_ID(IF(sign_in_failures.until <= :now, 1, failures + 1))),
           wait_until = IF(${isWaiting}, wait_until, ${waitSql(freeTries, waits.length)}),
           until = IF(sign_in_failures.until <= :now, VALUES(until), GREATEST(sign_in_failures.until, COALESCE(wait_until, sign_in_failures.until)))`,
        {
          type: QueryTypes.INSERT,
          replacements: {
            key,
            now,
            until,
            refused,
            signIn: who.signIn.slice(0, 60),
            address: who.address.slice(0, 60),
            ...Object.fromEntries(waits.map((wait, index) => [`wait${index}`, wait])),
          },
        },
      )
      const failures = Number(counted) || 1
      if (failures !== refused) return { failures, waitUntil: null }
      const [row] = await db.query<{ failures: number; waitUntil: Date | null }>(
        'SELECT failures, wait_until AS waitUntil FROM sign_in_failures WHERE id = :key',
        { type: QueryTypes.SELECT, replacements: { key } },
      )
      return { failures: row?.failures ?? freeTries, waitUntil: new Date(row?.waitUntil ?? nowMs) }
    },
    /** It was right after all. */
    async forget(key: string): Promise<void> {
      await db.query('DELETE FROM sign_in_failures WHERE id = :key', { type: QueryTypes.DELETE, replacements: { key } })
    },
    /** One try of many was right: the others count on. */
    async forgive(key: string): Promise<void> {
      await db.query('UPDATE sign_in_failures SET failures = GREATEST(failures - 1, 0) WHERE id = :key', {
        type: QueryTypes.UPDATE,
        replacements: { key },
      })
    },
    /** Who waits now. */
    async paused(now: Date): Promise<readonly Pause[]> {
      const rows = await db.query<Pause>(
        'SELECT sign_in AS signIn, address, wait_until AS until FROM sign_in_failures WHERE wait_until > :now ORDER BY wait_until',
        { type: QueryTypes.SELECT, replacements: { now } },
      )
      return rows.map((row) => ({ ...row, until: new Date(row.until) }))
    },
    /** Lets somebody try again, from wherever they did. */
    async release(signIn: string): Promise<void> {
      await db.query('DELETE FROM sign_in_failures WHERE sign_in = :signIn', { type: QueryTypes.DELETE, replacements: { signIn } })
    },
    /** Lets strangers try again at an address. */
    async releaseAddress(address: string): Promise<void> {
      await db.query(`DELETE FROM sign_in_failures WHERE sign_in = '' AND address = :address`, {
        type: QueryTypes.DELETE,
        replacements: { address },
      })
    },
    /** The same at every address. */
    async releaseAddresses(): Promise<void> {
      await db.query(`DELETE FROM sign_in_failures WHERE sign_in = ''`, { type: QueryTypes.DELETE })
    },
    /** Lets go of everything that is over, a few at a time: nobody who signs in waits for it. */
    async dropOld(now: Date): Promise<void> {
      for (let dropped = atOnce; dropped === atOnce;) {
        const [, gone] = (await db.query(`DELETE FROM sign_in_failures WHERE until <= :now LIMIT ${atOnce}`, {
          type: QueryTypes.UPDATE,
          replacements: { now },
        })) as unknown as [unknown, number]
        dropped = gone
      }
    },
  }
}

export type SignInFailures = ReturnType<typeof createSignInFailures>

/** The wait after so many wrong ones: none up to the free tries less one, then one after another. */
function waitSql(freeTries: number, waits: number): string {
  if (waits === 0) return 'NULL'
  const whens = Array.from({ length: waits }, (_, index) => waits - 1 - index).map(
    (index) => `WHEN failures >= ${freeTries + index} THEN :wait${index}`,
  )
  return `CASE ${whens.join(' ')} ELSE NULL END`
}
