import { createHash } from 'node:crypto'
import { QueryTypes, type Sequelize } from 'sequelize'
import { eventSchemasHash } from '#contract/events/event-schemas-hash'
import { allTables } from './tables/all-tables'

/** A database that another version made; nothing in it was changed. */
export class OtherSchemas extends Error {}

/** What a database of this version is made by, as one figure: its tables, and the events that lie in them. */
export function folderSchemas(): string {
  return createHash('sha256').update(eventSchemasHash).update(JSON.stringify(allTables)).digest('hex').slice(0, 16)
}

/**
 * Refuses a database that another version before 1.0 made: until then nothing is brought forward. An empty one is as good as one of this version.
 * @throws OtherSchemas in words, with what may be done
 */
export async function refuseOtherSchemas(db: Sequelize): Promise<void> {
  // The list of migrations is there before the first of them has begun.
  const tables = (await namesOf(db)).filter((name) => name !== 'migrations')
  if (tables.length === 0) return
  if (tables.includes('lineage') && (await columnsOf(db, 'lineage')).includes('made_by')) {
    const [made] = await db.query<{ madeBy: string }>('SELECT made_by AS madeBy FROM lineage', { type: QueryTypes.SELECT })
    // Without a line it was cut off at its first step.
    if (!made || made.madeBy === folderSchemas()) return
  }
  throw new OtherSchemas(
    'This database was made by another version of Zesty Wren. Before version 1.0 none is brought forward, and nothing in it was changed. Start the version that made it to read it; to begin anew beside it, name another folder (WREN_DATA=FOLDER npm start) or another DATABASE_URL; to delete it and begin anew: npm start -- --fresh.',
  )
}

/** Takes every table out of a database, whoever made it. */
export async function dropTables(db: Sequelize): Promise<void> {
  for (const table of await namesOf(db)) await db.query(`DROP TABLE \`${table}\``, { type: QueryTypes.RAW })
}

async function namesOf(db: Sequelize): Promise<readonly string[]> {
  const rows = await db.query<{ name: string }>(
    'SELECT table_name AS name FROM information_schema.tables WHERE table_schema = DATABASE()',
    {
      type: QueryTypes.SELECT,
    },
  )
  return rows.map((row) => row.name)
}

async function columnsOf(db: Sequelize, table: string): Promise<readonly string[]> {
  const rows = await db.query<{ name: string }>(
    'SELECT column_name AS name FROM information_schema.columns WHERE table_schema = DATABASE() AND table_name = :table',
    { type: QueryTypes.SELECT, replacements: { table } },
  )
  return rows.map((row) => row.name)
}
