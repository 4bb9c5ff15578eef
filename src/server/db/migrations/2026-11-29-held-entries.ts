import { DataTypes, type QueryInterface } from 'sequelize'
import { ascii, key, longText, moment, reference, short, table } from '../columns'

/** Entries that came from a device and are not taken, as their author's access had ended: a lead looks at them. */
export const name = '2026-11-29-held-entries'

export async function up(queries: QueryInterface): Promise<void> {
  await queries.createTable(
    'held_entries',
    {
      event_id: key(),
      author: reference(),
      author_name: short(120),
      why: { type: ascii(12), allowNull: false },
      stream_id: reference(),
      episode_id: { type: ascii(36), allowNull: true },
      at: moment(),
      received_at: moment(),
      event: longText(),
      settled_at: { type: DataTypes.DATE(3), allowNull: true },
      settled_by: { type: DataTypes.STRING(120), allowNull: true },
      settled_how: { type: DataTypes.STRING(12), allowNull: true },
      settled_why: { type: DataTypes.STRING(500), allowNull: true },
    },
    table,
  )
  await queries.addIndex('held_entries', ['settled_at', 'at'], { name: 'held_entries_waiting' })
  await queries.addIndex('held_entries', ['episode_id'], { name: 'held_entries_stay' })
  await queries.addIndex('held_entries', ['stream_id'], { name: 'held_entries_stream' })
}
