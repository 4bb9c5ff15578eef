import { QueryTypes, type Sequelize } from 'sequelize'
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
      await fill(db, name, world)
    }
  } finally {
    await db.close()
  }
}

/** A server that still plans or pages what the file before wrote may put a row between the two statements: then both are done again. */
async function fill(db: Sequelize, name: string, world: string, tries = 5): Promise<void> {
  await db.query(`TRUNCATE TABLE ${name}`, { raw: true })
  try {
    await db.query(`INSERT INTO ${name} SELECT * FROM ${world}.${name}`, { raw: true })
  } catch (error) {
    if (tries === 1) throw error
    await fill(db, name, world, tries - 1)
  }
}
