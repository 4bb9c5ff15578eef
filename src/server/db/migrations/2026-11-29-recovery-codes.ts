import { DataTypes, type QueryInterface } from 'sequelize'
import { ascii, reference, table } from '../columns'

/** Codes that stand in once for an authenticator app that is not at hand. */
export const name = '2026-11-29-recovery-codes'

export async function up(queries: QueryInterface): Promise<void> {
  await queries.createTable(
    'recovery_codes',
    {
      code_hash: { type: ascii(60), primaryKey: true, allowNull: false },
      person_id: reference(),
      used_at: { type: DataTypes.DATE(3), allowNull: true },
    },
    table,
  )
  await queries.addIndex('recovery_codes', ['person_id'], { name: 'recovery_codes_person' })
}
