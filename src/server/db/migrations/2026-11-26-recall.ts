import type { QueryInterface } from 'sequelize'

/** Whoever has or had a lot is found by it; incidents by their kind. */
export const name = '2026-11-26-recall'

export async function up(queries: QueryInterface): Promise<void> {
  await queries.addIndex('lots', ['lot'], { name: 'lots_lot' })
  await queries.addIndex('stock_movements', ['lot_id'], { name: 'movements_lot' })
  await queries.addIndex('events', ['kind'], { name: 'events_kind' })
}
