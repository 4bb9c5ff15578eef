import { DataTypes, type QueryInterface } from 'sequelize'

/** Secrets may be wrapped by a key of the environment, which makes them longer. */
export const name = '2026-11-29-wrapped-secrets'

export async function up(queries: QueryInterface): Promise<void> {
  await queries.changeColumn('people', 'second_secret', { type: DataTypes.STRING(200), allowNull: true })
}
