import { DataTypes, type QueryInterface } from 'sequelize'
import { ascii, hash, integer, key, longText, moment, reference, short, table } from '../columns'

/** What leads set for the ward, and pages on their way to the pager. */
export const name = '2026-11-26-ward'

export async function up(queries: QueryInterface): Promise<void> {
  await queries.createTable(
    'wards',
    { id: key(), version: integer(), head_hash: hash(), snapshot: longText(), updated_at: moment() },
    table,
  )
  await queries.createTable(
    'pages',
    {
      id: key(),
      case_id: reference(),
      callee: short(200),
      words: short(300),
      state: { type: ascii(8), allowNull: false },
      tries: integer(),
      next_at: moment(),
      leased_by: { type: ascii(36), allowNull: true },
      leased_until: { type: DataTypes.DATE(3), allowNull: true },
      created_at: moment(),
    },
    table,
  )
  await queries.addIndex('pages', ['state', 'next_at'], { name: 'pages_waiting' })
  await queries.addIndex('pages', ['case_id'], { name: 'pages_case' })
}
