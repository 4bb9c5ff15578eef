import { DataTypes, type QueryInterface } from 'sequelize'

/** What a case is found by once it has left the Board; empty until its line is worked out anew. */
export const name = '2026-11-26-history'

export async function up(queries: QueryInterface): Promise<void> {
  await queries.addColumn('cases', 'search', { type: DataTypes.TEXT, allowNull: true })
  await queries.addColumn('cases', 'opened_at', { type: DataTypes.DATE(3), allowNull: true })
  await queries.sequelize.query('CREATE FULLTEXT INDEX cases_search ON cases (search)')
  await queries.addIndex('cases', ['opened_at', 'id'], { name: 'cases_opened' })
}
