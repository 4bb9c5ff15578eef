import { DataTypes, type QueryInterface } from 'sequelize'

/** Words by which cases are found carry the year in which a case was opened: a search looks through one year at a time. */
export const name = '2026-11-29-dated-words'

/** Dated words as `datedWords` makes them, of two columns; a word that stands twice stands twice here, which finds the same. */
export function datedInSql(search: string, openedAt: string): string {
  const words = `REGEXP_REPLACE(${search}, '[^\\\\p{L}\\\\p{N}]+', ' ')`
  return `REGEXP_REPLACE(${words}, '([^ ]+)', CONCAT('y', DATE_FORMAT(${openedAt}, '%y'), '\\\\1'))`
}

export async function up(queries: QueryInterface): Promise<void> {
  await queries.addColumn('cases', 'dated', { type: DataTypes.TEXT, allowNull: true })
  await queries.sequelize.query(
    `UPDATE cases SET dated = ${datedInSql('search', 'opened_at')} WHERE search IS NOT NULL AND opened_at IS NOT NULL`,
  )
  // The index of before stays: while servers are upgraded one after the other, those of the older version still search by it.
  await queries.sequelize.query('CREATE FULLTEXT INDEX cases_dated ON cases (dated)')
}
