import { DataTypes, QueryTypes, type QueryInterface } from 'sequelize'
import { v7 as uuidv7 } from 'uuid'
import { ascii, integer, key, reference, table } from '../columns'

/** One line for each saved event or Board row, in the order of their numbers: what listeners are told. And which database it is. */
export const name = '2026-11-28-changes'

export async function up(queries: QueryInterface): Promise<void> {
  const number = DataTypes.BIGINT.UNSIGNED
  await queries.createTable(
    'changes',
    {
      seq: { type: number, primaryKey: true, autoIncrement: true, allowNull: false },
      stream_type: { type: ascii(7), allowNull: false },
      stream_id: reference(),
      version: integer(),
      // Of the database's own clock, and read by what sweeps old lines alone.
      noted_at: { type: 'DATETIME(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3)' },
    },
    table,
  )
  await queries.addIndex('changes', ['noted_at'], { name: 'changes_oldest' })
  await queries.createTable('lineage', { id: key(), swept: { type: number, allowNull: false } }, table)
  await queries.sequelize.query('INSERT INTO lineage (id, swept) VALUES (:id, 0)', {
    type: QueryTypes.INSERT,
    replacements: { id: uuidv7() },
  })
}
