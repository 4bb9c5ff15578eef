import { DataTypes, type QueryInterface } from 'sequelize'
import { ascii } from '../columns'

/** What is said of an event's time; lots told apart to the letter, and by their expiry. */
export const name = '2026-11-26-marks-and-lots'

export async function up(queries: QueryInterface): Promise<void> {
  await queries.addColumn('events', 'mark', { type: ascii(12), allowNull: true })
  await queries.addColumn('events', 'claimed_at', { type: DataTypes.STRING(40), allowNull: true })
  await queries.removeIndex('lots', 'lots_place_item_lot')
  await queries.sequelize.query('ALTER TABLE lots MODIFY lot VARCHAR(40) CHARACTER SET utf8mb4 COLLATE utf8mb4_nopad_bin NOT NULL')
  await queries.addIndex('lots', ['place_id', 'item_code', 'lot'], { name: 'lots_place_item_lot' })
}
