import type { QueryInterface } from 'sequelize'
import { ascii, moment, short, table } from '../columns'

/** Who read what of a patient, and in which quarter of an hour. */
export const name = '2026-11-27-reads'

export async function up(queries: QueryInterface): Promise<void> {
  const part = (type: string) => ({ type, primaryKey: true, allowNull: false })
  await queries.createTable(
    'patient_reads',
    {
      slot: { ...moment(), primaryKey: true },
      person_id: part(ascii(36)),
      route: part(ascii(60)),
      subject: part(ascii(36)),
      person_name: short(120),
      first_at: moment(),
    },
    table,
  )
  await queries.addIndex('patient_reads', ['subject', 'slot'], { name: 'patient_reads_subject' })
  await queries.addIndex('patient_reads', ['person_id', 'slot'], { name: 'patient_reads_person' })
}
