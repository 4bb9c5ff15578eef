import { DataTypes, type QueryInterface } from 'sequelize'
import { ascii, hash, integer, longText, moment, table, dropColumn } from '../columns'

/** A lock and a short PIN per session; wrong sign-ins counted for all servers; secrets that all servers share. */
export const name = '2026-11-27-sign-in'

export async function up(queries: QueryInterface): Promise<void> {
  await queries.addColumn('sessions', 'locked_at', { type: DataTypes.DATE(3), allowNull: true })
  await queries.addColumn('sessions', 'pin_hash', { type: DataTypes.STRING(200), allowNull: true })
  await queries.addColumn('sessions', 'pin_failures', { ...integer(), defaultValue: 0 })
  await dropColumn(queries, 'people', 'failed_count')
  await dropColumn(queries, 'people', 'locked_until')
  await queries.createTable('sign_in_failures', { id: { ...hash(), primaryKey: true }, failures: integer(), until: moment() }, table)
  await queries.addIndex('sign_in_failures', ['until'], { name: 'sign_in_failures_until' })
  await queries.createTable('secrets', { name: { type: ascii(20), primaryKey: true, allowNull: false }, secret: longText() }, table)
}
