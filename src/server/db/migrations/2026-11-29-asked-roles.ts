import { DataTypes, type QueryInterface } from 'sequelize'

/** Roles that one admin asks for somebody, and that another one has yet to give. */
export const name = '2026-11-29-asked-roles'

export async function up(queries: QueryInterface): Promise<void> {
  await queries.addColumn('people', 'asked_roles', { type: DataTypes.STRING(400), allowNull: true })
}
