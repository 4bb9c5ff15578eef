import { QueryTypes, type QueryInterface } from 'sequelize'
import { v7 as uuidv7 } from 'uuid'
import { folderSchemas } from '../folder-schemas'
import { allTables } from '../tables/all-tables'

/** Every table, and which database it is. Until the first release this is the only migration, and changes with the tables. */
export const name = '2026-11-30-first'

export async function up({ sequelize: db }: QueryInterface): Promise<void> {
  // One that was cut off in the middle goes on where it was: which version made it is said before anything else.
  const { lineage, ...others } = allTables
  for (const [table, columns] of Object.entries({ lineage, ...others })) {
    await db.query(`CREATE TABLE IF NOT EXISTS ${table} (${columns}) ENGINE=InnoDB CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`, {
      type: QueryTypes.RAW,
    })
    if (table === 'lineage')
      await db.query('INSERT INTO lineage (id, swept, made_by) SELECT :id, 0, :madeBy FROM DUAL WHERE NOT EXISTS (SELECT 1 FROM lineage)', {
        type: QueryTypes.INSERT,
        replacements: { id: uuidv7(), madeBy: folderSchemas() },
      })
  }
}
