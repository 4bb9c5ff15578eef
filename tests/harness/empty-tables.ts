import { QueryTypes, type Sequelize } from 'sequelize'
import { allTables } from '../../src/server/db/tables/all-tables'

/** What says which database it is, and by which keys it is read. */
const kept = ['lineage', 'secrets']

/** Empties every table but those. */
export async function emptyTables(db: Sequelize): Promise<void> {
  for (const table of Object.keys(allTables).filter((name) => !kept.includes(name)))
    await db.query(`DELETE FROM ${table}`, { type: QueryTypes.DELETE })
}
