import { DataTypes, QueryTypes, type QueryInterface } from 'sequelize'
import { lookOf, signInForm, signInPattern } from '#contract/sign-in-name'
import { unattributedPrefix } from '#contract/records/episode'
import { integer } from '../columns'

/** One form of names to sign in with, compared letter by letter; waits after wrong tries; epochs of people, whose tickets end with them. */
export const name = '2026-11-28-one-name'

export async function up(queries: QueryInterface): Promise<void> {
  const db = queries.sequelize
  await db.query('ALTER TABLE people MODIFY sign_in VARCHAR(60) CHARACTER SET utf8mb4 COLLATE utf8mb4_nopad_bin NOT NULL', {
    type: QueryTypes.RAW,
  })
  await bringIntoForm(queries)
  await queries.addColumn('sign_in_failures', 'wait_until', { type: DataTypes.DATE(3), allowNull: true })
  await queries.addColumn('sessions', 'pin_wait_until', { type: DataTypes.DATE(3), allowNull: true })
  await queries.addColumn('sessions', 'proved_at', { type: DataTypes.DATE(3), allowNull: true })
  await queries.addColumn('people', 'epoch', { ...integer(), defaultValue: 0 })
}

/** Names that are not in the one form are brought into it where that is free; the others stay, and are named until an admin settles them. */
async function bringIntoForm({ sequelize: db }: QueryInterface): Promise<void> {
  const rows = await db.query<{ id: string; signIn: string }>('SELECT id, sign_in AS signIn FROM people ORDER BY sign_in', {
    type: QueryTypes.SELECT,
  })
  const named = rows.filter((row) => !row.signIn.startsWith(unattributedPrefix))
  const taken = new Set(named.map((row) => row.signIn))
  for (const { id, signIn } of named) {
    const form = signInForm(signIn)
    if (form === signIn) continue
    if (taken.has(form) || !signInPattern.test(form)) {
      process.stderr.write(`The sign-in name "${signIn}" has no form of its own: an admin gives that person a new account.\n`)
      continue
    }
    await db.query('UPDATE people SET sign_in = :form WHERE id = :id', { type: QueryTypes.UPDATE, replacements: { form, id } })
    taken.add(form)
  }
  const looks = new Map<string, string>()
  for (const signIn of taken) {
    const other = looks.get(lookOf(signIn))
    if (other) process.stderr.write(`The sign-in names "${other}" and "${signIn}" look alike: an admin ends one of them.\n`)
    looks.set(lookOf(signIn), signIn)
  }
}
