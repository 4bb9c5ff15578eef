import { DataTypes, type QueryInterface } from 'sequelize'

/** Whose sign-in is paused and from where, so that an admin can let them in. */
export const name = '2026-11-27-lockouts'

export async function up(queries: QueryInterface): Promise<void> {
  for (const column of ['sign_in', 'address'])
    await queries.addColumn('sign_in_failures', column, { type: DataTypes.STRING(60), allowNull: false, defaultValue: '' })
}
