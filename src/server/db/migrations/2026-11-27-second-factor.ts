import { DataTypes, type QueryInterface } from 'sequelize'

/** A second factor: its secret, since when it is asked for, and the last step of time whose code was used. */
export const name = '2026-11-27-second-factor'

export async function up(queries: QueryInterface): Promise<void> {
  await queries.addColumn('people', 'second_secret', { type: DataTypes.STRING(64), allowNull: true })
  await queries.addColumn('people', 'second_since', { type: DataTypes.DATE(3), allowNull: true })
  await queries.addColumn('people', 'second_step', { type: DataTypes.INTEGER, allowNull: false, defaultValue: 0 })
}
