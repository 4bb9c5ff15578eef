import type { QueryInterface } from 'sequelize'
import { DataTypes } from 'sequelize'
import { ascii } from '../columns'

/** Each event says by which rule its hash was made; a day's anchor says by which rule, since when, and over how much. */
export const name = '2026-11-27-anchors'

const ofOld = () => ({ type: DataTypes.INTEGER, allowNull: false, defaultValue: 1 })

export async function up(queries: QueryInterface): Promise<void> {
  await queries.addColumn('events', 'rule', ofOld())
  await queries.addColumn('audit_anchors', 'rule', ofOld())
  await queries.addColumn('audit_anchors', 'since', { type: ascii(10), allowNull: true })
  await queries.addIndex('stock_movements', ['at'], { name: 'movements_at' })
  await queries.addIndex('photos', ['at'], { name: 'photos_at' })
}
