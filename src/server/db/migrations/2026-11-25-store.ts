import { DataTypes, type QueryInterface } from 'sequelize'
import { ascii, hash, integer, key, longText, moment, reference, short, table } from '../columns'

/** Places with their stock: items, lots, reservations and every movement; and photos of a case. */
export const name = '2026-11-25-store'

const code = () => ({ type: ascii(80), allowNull: false })

export async function up(queries: QueryInterface): Promise<void> {
  await queries.createTable('places', { id: key(), name: short(80), kind: short(20), version: integer(), head_hash: hash() }, table)
  await queries.createTable(
    'items',
    { code: { ...code(), primaryKey: true }, label: short(160), data: longText(), low_mark: integer() },
    table,
  )
  await queries.createTable(
    'lots',
    {
      id: key(),
      place_id: reference(),
      item_code: code(),
      lot: short(40),
      expires_on: { type: DataTypes.DATEONLY, allowNull: true },
      count: integer(),
    },
    table,
  )
  await queries.createTable('reservations', { place_id: reference(), item_code: code(), case_id: reference(), count: integer() }, table)
  await queries.createTable(
    'stock_movements',
    {
      id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true, allowNull: false },
      event_id: reference(),
      place_id: reference(),
      item_code: code(),
      lot_id: { type: ascii(36), allowNull: true },
      delta: integer(),
      kind: short(20),
      case_id: { type: ascii(36), allowNull: true },
      actor_name: short(120),
      at: moment(),
    },
    table,
  )
  await queries.createTable(
    'photos',
    {
      id: key(),
      case_id: reference(),
      sha256: hash(),
      width: integer(),
      height: integer(),
      bytes: { type: DataTypes.BLOB('medium'), allowNull: false },
      actor_name: short(120),
      at: moment(),
    },
    table,
  )
  await queries.addIndex('lots', ['place_id', 'item_code', 'lot'], { unique: true, name: 'lots_place_item_lot' })
  await queries.addIndex('reservations', ['place_id', 'item_code', 'case_id'], { unique: true, name: 'reservations_one' })
  await queries.addIndex('reservations', ['case_id'], { name: 'reservations_case' })
  await queries.addIndex('stock_movements', ['place_id', 'at'], { name: 'movements_place' })
  await queries.addIndex('photos', ['case_id'], { name: 'photos_case' })
}
