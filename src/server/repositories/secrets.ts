import { QueryTypes, type Sequelize } from 'sequelize'

/** Secrets that every server on the database shares; made by whichever needs one first. */
export function createSecretRepository(db: Sequelize) {
  const read = async (name: string): Promise<string | undefined> => {
    const rows = await db.query<{ secret: string }>('SELECT secret FROM secrets WHERE name = :name', {
      type: QueryTypes.SELECT,
      replacements: { name },
    })
    return rows[0]?.secret
  }
  return {
    /** @param make makes it when there is none; of several made at once the first is kept */
    async readOrMake(name: string, make: () => string): Promise<string> {
      const kept = await read(name)
      if (kept !== undefined) return kept
      await db.query('INSERT IGNORE INTO secrets (name, secret) VALUES (:name, :secret)', {
        type: QueryTypes.INSERT,
        replacements: { name, secret: make() },
      })
      const made = await read(name)
      if (made === undefined) throw new Error(`The secret ${name} could not be kept`)
      return made
    },
  }
}

export type SecretRepository = ReturnType<typeof createSecretRepository>
