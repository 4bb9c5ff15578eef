import type { QueryInterface } from 'sequelize'

/** A patient's cases are looked up beside each of them. */
export const name = '2026-11-26-patients'

export async function up(queries: QueryInterface): Promise<void> {
  await queries.addIndex('episodes', ['patient_id'], { name: 'episodes_patient' })
}
