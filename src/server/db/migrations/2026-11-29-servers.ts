import type { QueryInterface } from 'sequelize'
import { integer, key, moment, short, table } from '../columns'

/** Servers that are on this database: when each was heard of last, by the database's clock, and how far its own is from that. */
export const name = '2026-11-29-servers'

export async function up(queries: QueryInterface): Promise<void> {
  await queries.createTable('servers', { id: key(), host: short(120), heard_at: moment(), offset_ms: integer() }, table)
}
