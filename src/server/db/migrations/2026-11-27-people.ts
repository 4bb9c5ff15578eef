import { DataTypes, type QueryInterface } from 'sequelize'

/** Whether somebody may come in, and whether with a password of their own. */
export const name = '2026-11-27-people'

const flag = (value: boolean) => ({ type: DataTypes.BOOLEAN, allowNull: false, defaultValue: value })

export async function up(queries: QueryInterface): Promise<void> {
  await queries.addColumn('people', 'is_active', flag(true))
  await queries.addColumn('people', 'must_change', flag(false))
  await queries.addColumn('people', 'code_until', { type: DataTypes.DATE(3), allowNull: true })
}
