import { DataTypes, type QueryInterface } from 'sequelize'
import { ascii, integer, key, longText, moment, reference, short, table } from '../columns'

/** Practice by itself: no event stream, no chain, no patient. */
export const name = '2026-11-28-practice'

export async function up(queries: QueryInterface): Promise<void> {
  await queries.createTable(
    'practice_sittings',
    {
      id: key(),
      way: short(10),
      station_id: short(60),
      /** The station as it was done. */
      station: longText(),
      begun_at: moment(),
      begun_by: reference(),
    },
    table,
  )
  await queries.addIndex('practice_sittings', ['begun_at'], { name: 'practice_sittings_newest' })
  await queries.addIndex('practice_sittings', ['station_id', 'begun_at'], { name: 'practice_sittings_station' })
  await queries.createTable(
    'practice_candidates',
    { sitting_id: key(), person_id: key(), role: { type: ascii(10), allowNull: true } },
    table,
  )
  await queries.addIndex('practice_candidates', ['person_id'], { name: 'practice_candidates_person' })
  await queries.createTable(
    'practice_marks',
    { sitting_id: key(), mark_id: key(), examiner: reference(), at_ms: integer(), body: longText() },
    table,
  )
  await queries.createTable(
    'practice_stations',
    {
      id: key(),
      station: longText(),
      by_id: reference(),
      at: moment(),
      dropped_at: { type: DataTypes.DATE(3), allowNull: true },
    },
    table,
  )
  await queries.createTable('practice_groups', { id: key(), name: short(80), members: longText(), set_by: reference() }, table)
  await queries.createTable(
    'practice_drills',
    { id: key(), person_id: reference(), at: moment(), night: short(40), seed: short(40), result: longText() },
    table,
  )
  await queries.addIndex('practice_drills', ['person_id', 'at'], { name: 'practice_drills_person' })
}
