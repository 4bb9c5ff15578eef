import { DataTypes, type QueryInterface } from 'sequelize'

/** Which fold made a snapshot, so that one made by an older fold is known. */
export const name = '2026-11-26-folds'

export async function up(queries: QueryInterface): Promise<void> {
  for (const table of ['episodes', 'cases']) {
    await queries.addColumn(table, 'fold', { type: DataTypes.INTEGER, allowNull: false, defaultValue: 1 })
  }
}
