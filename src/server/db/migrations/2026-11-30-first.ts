import { QueryTypes, type QueryInterface } from 'sequelize'
import { v7 as uuidv7 } from 'uuid'
import { folderSchemas } from '../folder-schemas'
import { allTables } from '../tables/all-tables'

/** Every table, and which database it is. Until the first release this is the only migration, and changes with the tables. */
export const name = '2026-11-30-first'

export async function up({ sequelize: db }: QueryInterface): Promise<void> {
  for (const [table, columns] of Object.entries(allTables))
    await db.query(`CREATE TABLE ${table} (${columns}) ENGINE=InnoDB CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`, {
      type: QueryTypes.RAW,
    })
  await db.query('INSERT INTO lineage (id, swept, schemas) VALUES (:id, 0, :schemas)', {
    type: QueryTypes.INSERT,
    replacements: { id: uuidv7(), schemas: folderSchemas() },
  })
}
