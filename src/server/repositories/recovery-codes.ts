import { QueryTypes, type Sequelize, type Transaction } from 'sequelize'

/** Keeps the codes that stand in once for an authenticator app, each under its hash. */
export function createRecoveryCodes(db: Sequelize) {
  return {
    /** New codes in place of those of before; none takes them all away. */
    async replace(personId: string, hashes: readonly string[], transaction: Transaction): Promise<void> {
      await db.query('DELETE FROM recovery_codes WHERE person_id = :personId', {
        type: QueryTypes.DELETE,
        transaction,
        replacements: { personId },
      })
      for (const hash of hashes)
        await db.query('INSERT INTO recovery_codes (code_hash, person_id) VALUES (:hash, :personId)', {
          type: QueryTypes.INSERT,
          transaction,
          replacements: { hash, personId },
        })
    },
    /** Uses one up. @returns whether it was there and unused */
    async use(personId: string, hash: string, at: Date): Promise<boolean> {
      const [, used] = await db.query(
        'UPDATE recovery_codes SET used_at = :at WHERE code_hash = :hash AND person_id = :personId AND used_at IS NULL',
        { type: QueryTypes.UPDATE, replacements: { hash, personId, at } },
      )
      return used > 0
    },
  }
}

export type RecoveryCodes = ReturnType<typeof createRecoveryCodes>
