import { QueryTypes, type Sequelize, type Transaction } from 'sequelize'
import type { MasterKey } from '../ground/master-key'

/** Secrets that every server on the database shares, wrapped where there is a key; made by whichever needs one first. */
export function createSecretRepository(db: Sequelize, master: MasterKey) {
  const read = async (name: string): Promise<string | null> => {
    const [row] = await db.query<{ secret: string }>('SELECT secret FROM secrets WHERE name = :name', {
      type: QueryTypes.SELECT,
      replacements: { name },
    })
    return row ? master.unwrap(name, row.secret) : null
  }
  return {
    /** Null where there is none. */
    read,
    /** @param make makes it when there is none; of several made at once the first is kept */
    async readOrMake(name: string, make: () => string): Promise<string> {
      const kept = await read(name)
      if (kept !== null) return kept
      await db.query('INSERT IGNORE INTO secrets (name, secret) VALUES (:name, :secret)', {
        type: QueryTypes.INSERT,
        replacements: { name, secret: master.wrap(name, make()) },
      })
      const made = await read(name)
      if (made === null) throw new Error(`The secret ${name} could not be kept`)
      return made
    },
  }
}

export type SecretRepository = ReturnType<typeof createSecretRepository>

/** Where secrets lie: in a table of their own, and the authenticator secrets of people. */
const places = [
  {
    select: 'SELECT name AS id, secret AS kept FROM secrets',
    update: 'UPDATE secrets SET secret = :now WHERE name = :id AND secret = :kept',
  },
  {
    select: 'SELECT id, second_secret AS kept FROM people WHERE second_secret IS NOT NULL',
    update: 'UPDATE people SET second_secret = :now WHERE id = :id AND second_secret = :kept',
  },
] as const

/**
 * Wraps every secret that lies there by the key of now.
 * @param before the key that wrapped them until now
 * @returns how many were wrapped anew
 * @throws with a sentence where one cannot be unwrapped: then none is changed by a caller who gave a transaction
 */
export async function rewrapSecrets(db: Sequelize, before: MasterKey, now: MasterKey, transaction: Transaction): Promise<number> {
  let count = 0
  for (const { select, update } of places)
    for (const { id, kept } of await db.query<{ id: string; kept: string }>(`${select} FOR UPDATE`, {
      type: QueryTypes.SELECT,
      transaction,
    })) {
      const wrapped = now.wrap(id, before.unwrap(id, kept))
      await db.query(update, { type: QueryTypes.UPDATE, transaction, replacements: { id, kept, now: wrapped } })
      count++
    }
  return count
}

/** Whether every secret lies there as this key leaves it. @throws with a sentence where one cannot be unwrapped */
export async function areInForm(db: Sequelize, master: MasterKey): Promise<boolean> {
  let isAll = true
  for (const { select } of places)
    for (const { id, kept } of await db.query<{ id: string; kept: string }>(select, { type: QueryTypes.SELECT })) {
      master.unwrap(id, kept)
      isAll = isAll && master.isInForm(kept)
    }
  return isAll
}
