import { literal, Op, QueryTypes, type Transaction } from 'sequelize'
import type { AskedRoles, ManagedPerson, ManagedSession } from '#contract/api/people'
import { type Person } from '#contract/api/session'
import { defaultSettings, type PersonSettings } from '#contract/records/person'
import type { Role } from '#contract/rights'
import type { Pause } from './sign-in-failures'
import type { Models, PersonRow, SessionRow } from '../db/models'

export interface Account extends Person {
  readonly passwordHash: string
  /** What another admin has yet to give. */
  readonly asked: AskedRoles | null
  /** Until when they were an admin, where they were one and are no more. */
  readonly adminUntil: Date | null
  readonly isActive: boolean
  readonly mustChange: boolean
  /** Until when the one-time code is good; null for a password of their own. */
  readonly codeUntil: Date | null
  /** Secret of their authenticator app; null without one. */
  readonly secondSecret: string | null
  /** Its codes are asked for. */
  readonly hasSecondFactor: boolean
  /** Of their tickets: raised where their access ends or is reset. */
  readonly epoch: number
}

/** What of a session a request goes by. */
export type OpenSessionRow = Pick<SessionRow, 'csrf' | 'createdAt' | 'lastSeenAt' | 'expiresAt' | 'lockedAt' | 'pinHash' | 'provedAt'>

/** Reads and writes people, their sign-in and their sessions. */
export function createPeopleRepository(models: Models) {
  const { sequelize: db } = models.people
  if (!db) throw new Error('the models belong to no database')
  return {
    /** @param signIn in its one form */
    async findBySignIn(signIn: string): Promise<Account | null> {
      return toAccount((await models.people.findOne({ where: { signIn }, raw: true })) as unknown as PersonRow | null)
    },
    async find(id: string): Promise<Account | null> {
      return toAccount((await models.people.findByPk(id, { raw: true })) as unknown as PersonRow | null)
    },
    async list(): Promise<readonly Account[]> {
      const rows = (await models.people.findAll({ order: [['name', 'ASC']], raw: true })) as unknown as PersonRow[]
      return rows.flatMap((row) => toAccount(row) ?? [])
    },
    /** Those who are signed in somewhere. */
    async listOn(now: Date): Promise<readonly Account[]> {
      const rows = (await models.sessions.findAll({
        where: { expiresAt: { [Op.gte]: now } },
        attributes: ['personId'],
        raw: true,
      })) as unknown as { personId: string }[]
      const on = new Set(rows.map((row) => row.personId))
      return (await this.list()).filter((account) => on.has(account.id))
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
          signIn: person.signIn,
          roles: person.roles.join(' '),
          settings: JSON.stringify(defaultSettings),
          ...head,
          isActive: true,
          mustChange: false,
          codeUntil: null,
          secondSecret: null,
          secondSince: null,
          askedRoles: null,
          secondStep: 0,
          epoch: 0,
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

    async saveHead(id: string, head: { version: number; headHash: string }, transaction: Transaction): Promise<void> {
      await models.people.update(head, { where: { id }, transaction })
    },
    async saveAccess(
      id: string,
      access: Partial<
        Pick<
          PersonRow,
          'passwordHash' | 'roles' | 'isActive' | 'mustChange' | 'codeUntil' | 'secondSecret' | 'secondSince' | 'askedRoles' | 'adminUntil'
        >
      >,
      transaction: Transaction,
    ): Promise<void> {
      await models.people.update(access, { where: { id }, transaction })
    },
    /** Whatever waits under their name on devices goes no more: their tickets are of an older epoch. */
    async raiseEpoch(id: string, transaction: Transaction): Promise<void> {
      await models.people.increment('epoch', { where: { id }, transaction })
    },
    /** Uses up a one-time code. @returns whether it was still to be used */
    async useCode(id: string, now: Date): Promise<boolean> {
      const [changed] = await models.people.update({ codeUntil: now }, { where: { id, codeUntil: { [Op.gt]: now } } })
      return changed === 1
    },
    /** Keeps the secret of an authenticator app that is being set up. */
    async saveSecondSecret(id: string, secondSecret: string): Promise<void> {
      await models.people.update({ secondSecret, secondStep: 0 }, { where: { id, secondSince: null } })
    },
    /** Uses up the code of a step of time. @returns whether it was still to be used */
    async useSecondStep(id: string, step: number): Promise<boolean> {
      const [changed] = await models.people.update({ secondStep: step }, { where: { id, secondStep: { [Op.lt]: step } } })
      return changed === 1
    },
    /** Ends the sessions of a person, but one. */
    async endSessionsOf(personId: string, kept: string | null, transaction: Transaction): Promise<void> {
      await models.sessions.destroy({ where: { personId, ...(kept === null ? {} : { id: { [Op.ne]: kept } }) }, transaction })
    },
    /** Everybody, with the sessions that they have now. */
    async listManaged(now: Date, pauses: readonly Pause[]): Promise<readonly ManagedPerson[]> {
      const rows = (await models.people.findAll({ order: [['name', 'ASC']], raw: true })) as unknown as PersonRow[]
      const sessions = (await models.sessions.findAll({ where: { expiresAt: { [Op.gte]: now } }, raw: true })) as unknown as SessionRow[]
      return rows.flatMap((row) => {
        const account = toAccount(row)
        if (!account) return []
        const own = sessions.filter((session) => session.personId === row.id).map(toManagedSession)
        const { id, name, signIn, roles, asked, isActive, mustChange, hasSecondFactor } = account
        const paused = pauses
          .filter((pause) => pause.signIn === signIn)
          .map(({ address, until }) => ({ address, until: until.toISOString() }))
        const inOrder = own.sort((a, b) => Date.parse(b.lastSeenAt) - Date.parse(a.lastSeenAt))
        return [{ id, name, signIn, roles, asked, isActive, mustChange, hasSecondFactor, sessions: inOrder, pauses: paused }]
      })
    },

    async createSession(row: SessionRow): Promise<void> {
      await models.sessions.create(row)
    },
    /** A session with whose it is, as every request asks. */
    async findSession(id: string): Promise<{ readonly row: OpenSessionRow; readonly account: Account } | null> {
      const [row] = await db.query<OpenSessionRow & PersonRow>(
        `SELECT p.id, p.name, p.sign_in AS signIn, p.password_hash AS passwordHash, p.roles, p.settings, p.version, p.is_active AS isActive,
           p.must_change AS mustChange, p.code_until AS codeUntil, p.second_secret AS secondSecret, p.second_since AS secondSince, p.epoch,
           s.csrf, s.created_at AS createdAt, s.last_seen_at AS lastSeenAt, s.expires_at AS expiresAt, s.locked_at AS lockedAt,
           s.pin_hash AS pinHash, s.proved_at AS provedAt FROM sessions s JOIN people p ON p.id = s.person_id WHERE s.id = :id`,
        { type: QueryTypes.SELECT, replacements: { id } },
      )
      const account = row && toAccount(row)
      return account ? { row, account } : null
    },
    /** Which of these sessions have not run out. */
    async openSessions(ids: readonly string[], now: Date): Promise<ReadonlySet<string>> {
      const rows = await models.sessions.findAll({ where: { id: [...ids], expiresAt: { [Op.gte]: now } }, attributes: ['id'], raw: true })
      return new Set((rows as unknown as { id: string }[]).map((row) => row.id))
    },
    async touchSession(id: string, lastSeenAt: Date, expiresAt: Date): Promise<void> {
      await models.sessions.update({ lastSeenAt, expiresAt }, { where: { id } })
    },
    /** Locks or opens the screen of a session. */
    async setLocked(id: string, lockedAt: Date | null): Promise<void> {
      await models.sessions.update(lockedAt ? { lockedAt } : { lockedAt, pinFailures: 0, pinWaitUntil: null }, { where: { id } })
    },
    async setPin(id: string, pinHash: string | null): Promise<void> {
      await models.sessions.update({ pinHash, pinFailures: 0, pinWaitUntil: null }, { where: { id } })
    },
    /**
     * Counts one try of a PIN before it is known to be wrong.
     * @param waits after how many tries until when nothing more is tried, the most first
     * @returns whether it may be tried: there is a PIN, it does not wait, and tries are left
     */
    async countPinTry(
      id: string,
      now: Date,
      most: number,
      waits: readonly { readonly after: number; readonly until: Date }[],
    ): Promise<boolean> {
      const whens = waits.map(({ after, until }) => `WHEN pin_failures = ${after - 1} THEN ${db.escape(until)}`).join(' ')
      const [changed] = await models.sessions.update(
        {
          pinWaitUntil: literal(`CASE ${whens} ELSE NULL END`) as unknown as Date,
          pinFailures: literal('pin_failures + 1') as unknown as number,
        },
        {
          where: {
            id,
            pinHash: { [Op.not]: null },
            pinFailures: { [Op.lt]: most },
            pinWaitUntil: { [Op.or]: [{ [Op.is]: null }, { [Op.lte]: now }] },
          },
        },
      )
      return changed === 1
    },
    /** Until when the PIN of a session waits, and how many tries of it were wrong. */
    async pinOf(id: string): Promise<{ readonly tries: number; readonly waitUntil: Date | null }> {
      const row = await models.sessions.findByPk(id, { attributes: ['pinFailures', 'pinWaitUntil'], raw: true })
      const { pinFailures, pinWaitUntil } = (row ?? {}) as unknown as Partial<SessionRow>
      return { tries: pinFailures ?? 0, waitUntil: pinWaitUntil ? new Date(pinWaitUntil) : null }
    },
    /** The password was given again in a session. */
    async noteProof(id: string, at: Date): Promise<void> {
      await models.sessions.update({ provedAt: at }, { where: { id } })
    },
    /** The sessions of a person that have not run out, the one that was used last first. */
    async sessionsOf(personId: string, now: Date): Promise<readonly ManagedSession[]> {
      const where = { personId, expiresAt: { [Op.gte]: now } }
      const rows = (await models.sessions.findAll({ where, order: [['lastSeenAt', 'DESC']], raw: true })) as unknown as SessionRow[]
      return rows.map(toManagedSession)
    },
    /** Ends one session of a person. */
    async endOneOf(personId: string, id: string, transaction?: Transaction): Promise<void> {
      await models.sessions.destroy({ where: { id, personId }, ...(transaction ? { transaction } : {}) })
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

function toManagedSession({ id, createdAt, lastSeenAt, lockedAt }: SessionRow): ManagedSession {
  return { id, since: new Date(createdAt).toISOString(), lastSeenAt: new Date(lastSeenAt).toISOString(), isLocked: lockedAt !== null }
}

function toAccount(row: PersonRow | null): Account | null {
  if (!row) return null
  return {
    id: row.id,
    name: row.name,
    signIn: row.signIn,
    passwordHash: row.passwordHash,
    asked: row.askedRoles ? (JSON.parse(row.askedRoles) as AskedRoles) : null,
    adminUntil: row.adminUntil ? new Date(row.adminUntil) : null,
    isActive: Boolean(row.isActive),
    mustChange: Boolean(row.mustChange),
    codeUntil: row.codeUntil && new Date(row.codeUntil),
    secondSecret: row.secondSecret,
    hasSecondFactor: row.secondSince !== null,
    epoch: row.epoch,
    version: row.version,
    roles: row.roles.split(' ') as Role[],
    settings: JSON.parse(row.settings) as PersonSettings,
  }
}
