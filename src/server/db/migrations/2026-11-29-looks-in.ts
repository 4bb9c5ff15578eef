import type { QueryInterface } from 'sequelize'
import { key, longText, moment, reference, short, table } from '../columns'

/** Who opened a patient's record from outside the care team, and why; the event that says it lies in the stay. */
export const name = '2026-11-29-looks-in'

export async function up(queries: QueryInterface): Promise<void> {
  await queries.createTable(
    'looks_in',
    { event_id: key(), episode_id: reference(), person_id: reference(), person_name: short(120), reason: longText(), at: moment() },
    table,
  )
  await queries.addIndex('looks_in', ['person_id', 'episode_id', 'at'], { name: 'looks_in_who' })
  await queries.addIndex('looks_in', ['at'], { name: 'looks_in_when' })
}
