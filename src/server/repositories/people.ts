import { Op, type Transaction } from 'sequelize'
import { type Person } from '#contract/api/session'
import { defaultSettings, type PersonSettings } from '#contract/records/person'
import type { Role } from '#contract/rights'
import type { Models, PersonRow, SessionRow } from '../db/models'

export interface Account extends Person {
  readonly signIn: string
  readonly passwordHash: string
  readonly failedCount: number
  readonly lockedUntil: Date | null
}

/** Reads and writes people, their sign-in and their sessions. */
export function createPeopleRepository(models: Models) {
  return {
    async findBySignIn(signIn: string): Promise<Account | null> {
      return toAccount((await models.people.findOne({ where: { signIn: signIn.toLowerCase() }, raw: true })) as unknown as PersonRow | null)
    },
    async find(id: string): Promise<Account | null> {
      return toAccount((await models.people.findByPk(id, { raw: true })) as unknown as PersonRow | null)
    },
    async list(): Promise<readonly Account[]> {
      const rows = (await models.people.findAll({ order: [['name', 'ASC']], raw: true })) as unknown as PersonRow[]
      return rows.flatMap((row) => toAccount(row) ?? [])
    },
    async count(): Promise<number> {
      return models.people.count()
    },
    async create(
      person: { id: string; name: string; signIn: string; passwordHash: string; roles: readonly Role[] },
      head: { version: number; headHash: string },
      transaction: Transaction,
    ): Promise<void> {
      await models.people.create(
        {
          ...person,
          signIn: person.signIn.toLowerCase(),
          roles: person.roles.join(' '),
          settings: JSON.stringify(defaultSettings),
          ...head,
          failedCount: 0,
          lockedUntil: null,
        },
        { transaction },
      )
    },
    async saveSettings(
      id: string,
      settings: PersonSettings,
      head: { version: number; headHash: string },
      transaction: Transaction,
    ): Promise<void> {
      await models.people.update({ settings: JSON.stringify(settings), ...head }, { where: { id }, transaction })
    },
    async recordFailure(id: string, failedCount: number, lockedUntil: Date | null): Promise<void> {
      await models.people.update({ failedCount, lockedUntil }, { where: { id } })
    },

    async createSession(row: SessionRow): Promise<void> {
      await models.sessions.create(row)
    },
    async findSession(id: string): Promise<SessionRow | null> {
      return (await models.sessions.findByPk(id, { raw: true })) as unknown as SessionRow | null
    },
    async touchSession(id: string, lastSeenAt: Date, expiresAt: Date): Promise<void> {
      await models.sessions.update({ lastSeenAt, expiresAt }, { where: { id } })
    },
    async endSession(id: string): Promise<void> {
      await models.sessions.destroy({ where: { id } })
    },
    async dropExpired(now: Date): Promise<void> {
      await models.sessions.destroy({ where: { expiresAt: { [Op.lt]: now } } })
    },
  }
}

export type PeopleRepository = ReturnType<typeof createPeopleRepository>

function toAccount(row: PersonRow | null): Account | null {
  if (!row) return null
  return {
    id: row.id,
    name: row.name,
    signIn: row.signIn,
    passwordHash: row.passwordHash,
    version: row.version,
    failedCount: row.failedCount,
    lockedUntil: row.lockedUntil && new Date(row.lockedUntil),
    roles: row.roles.split(' ') as Role[],
    settings: JSON.parse(row.settings) as PersonSettings,
  }
}
