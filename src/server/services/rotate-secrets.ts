import { QueryTypes, type Sequelize, type Transaction } from 'sequelize'
import { inTransaction } from '../db/in-transaction'
import { createMasterKey, type MasterKey } from '../ground/master-key'
import { makeSecret, rolled, rolledNames } from '../people/key-rings'
import { areInForm, rewrapSecrets } from '../repositories/secrets'

/**
 * Before a server answers: what lies plain in the database is wrapped where there is a key now.
 * @throws with a sentence where the key is missing, or is another one than wrapped them
 */
export async function wrapAtStart(db: Sequelize, master: MasterKey): Promise<void> {
  if (await areInForm(db, master)) return
  // What is wrapped already opens by the key of now, or the look above had refused.
  await inTransaction(db, (transaction) => rewrapSecrets(db, master, master, transaction))
}

/**
 * Wraps every secret by another key, all or none; and makes the keys of devices anew where that is asked for: those of before are good for
 * as long as a ticket may be.
 * @param before what wrapped them until now; null where they lie plain
 * @param now what wraps them from now on; null leaves them plain
 * @returns how many secrets were wrapped
 */
export async function rotateSecrets(
  db: Sequelize,
  {
    before,
    now,
    nowMs,
    isRolling,
  }: { readonly before: Buffer | null; readonly now: Buffer | null; readonly nowMs: number; readonly isRolling: boolean },
): Promise<number> {
  const master = createMasterKey(now)
  return inTransaction(db, async (transaction) => {
    const count = await rewrapSecrets(db, createMasterKey(before), master, transaction)
    if (isRolling) for (const name of ['device', 'seal'] as const) await roll(db, master, name, nowMs, transaction)
    return count
  })
}

async function roll(
  db: Sequelize,
  master: MasterKey,
  name: keyof typeof rolledNames,
  nowMs: number,
  transaction: Transaction,
): Promise<void> {
  const [row] = await db.query<{ secret: string }>('SELECT secret FROM secrets WHERE name = :name', {
    type: QueryTypes.SELECT,
    transaction,
    replacements: { name },
  })
  if (!row) return
  const keep = (as: string, secret: string): Promise<unknown> =>
    db.query('REPLACE INTO secrets (name, secret) VALUES (:as, :secret)', {
      type: QueryTypes.INSERT,
      transaction,
      replacements: { as, secret: master.wrap(as, secret) },
    })
  await keep(rolledNames[name], rolled(master.unwrap(name, row.secret), nowMs))
  await keep(name, makeSecret[name]())
}
