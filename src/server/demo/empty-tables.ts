import { QueryTypes, type Sequelize } from 'sequelize'

/** Empties every table but the record of migrations: for a fresh demo world and between tests. */
export async function emptyTables(db: Sequelize): Promise<void> {
  for (const table of [
    'countersigns',
    'patient_reads',
    'photos',
    'pages',
    'wards',
    'stock_movements',
    'reservations',
    'lots',
    'items',
    'places',
    'audit_anchors',
    'events',
    'cases',
    'episodes',
    'sessions',
    'sign_in_failures',
    'people',
  ]) {
    await db.query(`DELETE FROM ${table}`, { type: QueryTypes.DELETE })
  }
}
