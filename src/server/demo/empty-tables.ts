import { QueryTypes, type Sequelize } from 'sequelize'

/** Empties every table but the record of migrations: for a fresh demo world and between tests. */
export async function emptyTables(db: Sequelize): Promise<void> {
  for (const table of [
    'practice_marks',
    'practice_candidates',
    'practice_sittings',
    'practice_stations',
    'practice_groups',
    'practice_drills',
    'held_entries',
    'looks_in',
    'servers',
    'recovery_codes',
    'countersigns',
    'patient_reads',
    'photos',
    'pages',
    'judged_rules',
    'wards',
    'stock_movements',
    'reservations',
    'lots',
    'items',
    'places',
    'audit_anchors',
    'changes',
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
