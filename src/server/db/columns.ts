import { DataTypes, type QueryInterface } from 'sequelize'

// Sequelize writes into column objects, so that none may be shared: each is made when it is asked for.
export const ascii = (length: number): string => `CHAR(${length}) CHARACTER SET ascii COLLATE ascii_bin`
export const key = () => ({ type: ascii(36), primaryKey: true, allowNull: false })
export const reference = () => ({ type: ascii(36), allowNull: false })
export const hash = () => ({ type: ascii(64), allowNull: false })
export const longText = () => ({ type: DataTypes.TEXT('long'), allowNull: false })
export const integer = () => ({ type: DataTypes.INTEGER, allowNull: false })
export const moment = () => ({ type: DataTypes.DATE(3), allowNull: false })
export const short = (length: number) => ({ type: DataTypes.STRING(length), allowNull: false })
export const table = { charset: 'utf8mb4', collate: 'utf8mb4_unicode_ci', engine: 'InnoDB' }

/** Takes a column away. Not through the query interface: that asks for constraints first, which this connector answers in a form it trips over. */
export async function dropColumn(queries: QueryInterface, from: string, column: string): Promise<void> {
  await queries.sequelize.query(`ALTER TABLE ${from} DROP COLUMN ${column}`)
}
