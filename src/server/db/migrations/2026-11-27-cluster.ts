import type { QueryInterface } from 'sequelize'

/** Every table has a primary key: a cluster tells rows apart by it. */
export const name = '2026-11-27-cluster'

export async function up(queries: QueryInterface): Promise<void> {
  await queries.sequelize.query('ALTER TABLE reservations DROP INDEX reservations_one, ADD PRIMARY KEY (place_id, item_code, case_id)')
}
