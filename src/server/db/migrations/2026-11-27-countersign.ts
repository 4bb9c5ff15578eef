import { DataTypes, type QueryInterface } from 'sequelize'
import { ascii, key, moment, reference, short, table } from '../columns'

/** Entries of trainees that wait for a clinician's name beside theirs. */
export const name = '2026-11-27-countersign'

export async function up(queries: QueryInterface): Promise<void> {
  await queries.createTable(
    'countersigns',
    {
      event_id: key(),
      episode_id: reference(),
      case_id: { type: ascii(36), allowNull: true },
      actor: reference(),
      actor_name: short(120),
      at: moment(),
      signed_at: { type: DataTypes.DATE(3), allowNull: true },
      signed_by: { type: DataTypes.STRING(120), allowNull: true },
    },
    table,
  )
  await queries.addIndex('countersigns', ['signed_at', 'at'], { name: 'countersigns_waiting' })
}
