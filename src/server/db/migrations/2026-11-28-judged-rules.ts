import { DataTypes, QueryTypes, type QueryInterface } from 'sequelize'
import { moment, table } from '../columns'

/** Until when each version of the rules has judged what was received: a newer one pages nobody about looks of before it. */
export const name = '2026-11-28-judged-rules'

export async function up(queries: QueryInterface): Promise<void> {
  await queries.createTable(
    'judged_rules',
    { core: { type: DataTypes.STRING(20), primaryKey: true, allowNull: false }, judged_until: moment() },
    table,
  )
  // Versions before this one kept no such line: what they received counts as judged by them.
  await queries.sequelize.query(
    `INSERT INTO judged_rules (core, judged_until) SELECT 'before', NOW(3) FROM DUAL WHERE EXISTS (SELECT 1 FROM events)`,
    { type: QueryTypes.INSERT },
  )
}
