import type { Sequelize } from 'sequelize'
import { SequelizeStorage, Umzug } from 'umzug'
import { refuseOtherSchemas } from './folder-schemas'
import * as first from './migrations/2026-11-30-first'

const migrations = [first]

/**
 * Brings the database to the newest schema; each migration runs once, in order. The way back is the backup.
 * @throws OtherSchemas where another version before 1.0 made it
 */
export async function migrate(db: Sequelize): Promise<void> {
  await refuseOtherSchemas(db)
  const umzug = new Umzug({
    migrations: migrations.map(({ name, up }) => ({
      name,
      up: () => up(db.getQueryInterface()),
    })),
    storage: new SequelizeStorage({ sequelize: db, tableName: 'migrations' }),
    logger: undefined,
  })
  await umzug.up()
}
