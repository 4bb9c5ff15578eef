import { QueryTypes } from 'sequelize'
import { connectDatabase } from '../../src/server/db/connect'

/**
 * Makes the database of a worker a copy of the demo world that npm test made once.
 * @param url the worker's own database
 * @param world name of the database that holds the demo world, on the same server
 */
export async function copyWorld(url: string, world: string): Promise<void> {
  const db = connectDatabase(url)
  try {
    const tables = await db.query<{ name: string }>('SELECT table_name AS name FROM information_schema.tables WHERE table_schema = ?', {
      replacements: [world],
      type: QueryTypes.SELECT,
    })
    for (const { name } of tables) {
      await db.query(`CREATE TABLE IF NOT EXISTS ${name} LIKE ${world}.${name}`, { raw: true })
      await db.query(`TRUNCATE TABLE ${name}`, { raw: true })
      await db.query(`INSERT INTO ${name} SELECT * FROM ${world}.${name}`, { raw: true })
    }
  } finally {
    await db.close()
  }
}
