import type { QueryInterface } from 'sequelize'
import { integer } from '../columns'

/** Up to which version of its stream a snapshot is written, and how long it is: that of a long record is not written with each event. */
export const name = '2026-11-27-snapshot-versions'

export async function up(queries: QueryInterface): Promise<void> {
  for (const table of ['episodes', 'cases']) {
    await queries.addColumn(table, 'snapshot_version', { ...integer(), defaultValue: 0 })
    await queries.addColumn(table, 'snapshot_length', { ...integer(), defaultValue: 0 })
    await queries.sequelize.query(`UPDATE ${table} SET snapshot_version = version, snapshot_length = CHAR_LENGTH(snapshot)`)
  }
}
