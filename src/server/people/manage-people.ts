import { randomBytes } from 'node:crypto'
import type { Sequelize, Transaction } from 'sequelize'
import { v7 as uuidv7 } from 'uuid'
import type { AccessBody } from '#contract/events/people/access'
import type { AskedRoles, CodeAnswer, ManagedPeopleAnswer, OwnSession, PersonAction } from '#contract/api/people'
import type { RecoveryAnswer, SecondFactorAnswer } from '#contract/api/session'
import { unattributedPrefix } from '#contract/records/episode'
import { isPairedDevice, losesRight, type Role } from '#contract/rights'
import { inTransaction } from '../db/in-transaction'
import { ApiError, invalidInput } from '../ground/api-error'
import type { Clock } from '../ground/clock'
import type { TellSecurity } from '../ground/tell-security'
import type { EventRepository } from '../repositories/events'
import type { Account, PeopleRepository } from '../repositories/people'
import type { SignInFailures } from '../repositories/sign-in-failures'
import type { StreamRepository } from '../repositories/streams'
import { signInForm } from '#contract/sign-in-name'
import { lookOf } from './look-of-name'
import { isCommon, isRepeated } from './common-passwords'
import { addPerson } from './add-person'
import { giveRoles } from './give-roles'
import { makeCode } from './made-code'
import { hashPassword, hashSecret, verifyPassword } from './password'
import { ownEvent, appendNext } from '../ledger/chain-event'
import type { SecondFactor } from './second-factor'
import type { TryCounter } from './count-tries'
import type { OpenSession } from './sign-in'

const codeMs = 24 * 3_600_000
const codeLength = 12
const dayMs = 24 * 3_600_000

/** Bytes of what a paired device proves itself with; nobody types it. */
const secretBytes = 32

export interface ManageDeps {
  readonly db: Sequelize
  readonly people: PeopleRepository
  readonly events: EventRepository
  readonly streams: StreamRepository
  readonly second: SecondFactor
  readonly failures: Pick<SignInFailures, 'paused' | 'release' | 'releaseAddress'>
  readonly tries: TryCounter
  readonly tell: TellSecurity
  readonly clock: Clock
}

type By = Pick<Account, 'id' | 'name'>

/** Who may come in, with which roles and how; each change is an event of that person, by whoever made it. */
export function createPeopleManager(deps: ManageDeps) {
  const { db, people, events, streams, clock } = deps

  async function found(id: string): Promise<Account> {
    const account = await people.find(id)
    if (!account) throw new ApiError(404, 'not-found', 'There is no such person: look at the list.')
    return account
  }

  /** Writes what was changed of a person, together with the change. */
  function change<T>(id: string, body: AccessBody, by: By, work: (transaction: Transaction) => Promise<T>): Promise<T> {
    return inTransaction(db, async (transaction) => {
      const before = await streams.lockHead('person', id, transaction)
      const receivedAt = new Date(clock()).toISOString()
      const unchained = ownEvent({ type: 'person', id }, 'access', body, { actor: by.id, actorName: by.name, receivedAt })
      const { head } = await appendNext(events, unchained, before, transaction)
      await people.saveHead(id, head, transaction)
      return work(transaction)
    })
  }

  /** Somebody has to be left who can let others in. */
  async function keepAnAdmin(id: string, roles: readonly Role[]): Promise<void> {
    if (roles.includes('admin')) return
    const others = (await people.list()).filter((account) => account.id !== id && account.isActive && account.roles.includes('admin'))
    if (others.length === 0) throw new ApiError(409, 'last-admin', 'This is the last admin: make somebody else one first.')
  }

  /** Whether there is another admin, or was one within a day: who ends the other one is not alone by that. */
  async function hasOtherAdmin(id: string, target: string): Promise<boolean> {
    const dayAgoMs = clock() - dayMs
    return (await people.list()).some(
      (account) =>
        account.id !== id &&
        account.id !== target &&
        ((account.isActive && account.roles.includes('admin')) || (account.adminUntil !== null && account.adminUntil.getTime() > dayAgoMs)),
    )
  }
  /** Until when somebody was an admin who is none any more, where they are one now. */
  const noLongerAdmin = ({ isActive, roles }: Account): { readonly adminUntil?: Date } =>
    isActive && roles.includes('admin') ? { adminUntil: new Date(clock()) } : {}

  /** Notes what another admin has yet to give. */
  async function ask(id: string, asked: AskedRoles, by: By): Promise<void> {
    await change(id, { change: 'roles-asked', roles: asked.roles }, by, (transaction) =>
      people.saveAccess(id, { askedRoles: JSON.stringify(asked) }, transaction),
    )
  }

  /** A device is paired or not: it has no role of a person, and no password that somebody types. */
  function keepDevice({ roles }: Account): void {
    if (isPairedDevice(roles))
      throw new ApiError(409, 'paired-device', 'This is a paired device: it can only be unpaired, or paired again.')
  }

  /** The password again, inside of a session: counted by the session. */
  async function provePassword({ account, sessionId }: OpenSession, password: string, path: 'password' | 'current'): Promise<void> {
    const wasRight = await deps.tries.beginInside({ signIn: account.signIn, sessionId })
    if (!(await verifyPassword(password, account.passwordHash)))
      throw invalidInput([
        { code: 'format', path, message: `The password ${path === 'current' ? 'of now ' : ''}is not right: type it again.` },
      ])
    await wasRight()
  }

  async function giveCode(account: Account, by: By): Promise<CodeAnswer> {
    const code = makeCode(codeLength)
    const until = new Date(clock() + codeMs)
    const passwordHash = await hashPassword(code)
    await change(account.id, { change: 'code' }, by, async (transaction) => {
      await people.saveAccess(account.id, { passwordHash, mustChange: true, codeUntil: until }, transaction)
      await people.raiseEpoch(account.id, transaction)
      await people.endSessionsOf(account.id, null, transaction)
    })
    return { code, until: until.toISOString() }
  }

  return {
    /** Everybody, with where they are signed in and from where they have to wait; and the addresses that strangers are shut out at. */
    async list(): Promise<Omit<ManagedPeopleAnswer, 'now'>> {
      const now = new Date(clock())
      const pauses = await deps.failures.paused(now)
      const shut = pauses.filter((pause) => pause.signIn === '').map(({ address, until }) => ({ address, until: until.toISOString() }))
      return { people: await people.listManaged(now, pauses), shut }
    },

    /** Lets strangers try again at an address. */
    async openAddress(address: string, { id }: By): Promise<void> {
      await deps.failures.releaseAddress(address)
      deps.tell('address-opened', id)
    },

    /** Adds a person with a one-time code. */
    async add(person: { name: string; signIn: string; roles: readonly Role[] }, by: By): Promise<CodeAnswer> {
      const look = lookOf(person.signIn)
      const taken = (await people.list()).find((account) => lookOf(account.signIn) === look)
      if (taken)
        throw invalidInput([
          {
            code: 'format',
            path: 'signIn',
            message:
              taken.signIn === person.signIn
                ? `The sign-in name ${person.signIn} is taken: choose another one.`
                : `The sign-in name ${person.signIn} looks like ${taken.signIn}, which is taken: choose another one.`,
          },
        ])
      const id = uuidv7()
      const { roles, asked } = giveRoles({ roles: [], asked: null }, person.roles, by, await hasOtherAdmin(by.id, id))
      await addPerson(deps, { id, ...person, roles, passwordHash: await hashPassword(uuidv7()) }, by)
      if (asked) await ask(id, asked, by)
      return giveCode(await found(id), by)
    },

    /**
     * Pairs a device for emergency entry: it gets an account of its own that can only add.
     * @param name what it is called, `Resus 2`
     * @returns what it keeps to prove itself; said once
     */
    async pair(name: string, by: By): Promise<{ readonly id: string; readonly secret: string }> {
      const signIn = signInForm(`${unattributedPrefix}${name}`)
      const secret = randomBytes(secretBytes).toString('base64url')
      const passwordHash = hashSecret(secret)
      const known = await people.findBySignIn(signIn)
      if (known) {
        await change(known.id, { change: 'paired' }, by, async (transaction) => {
          await people.saveAccess(known.id, { passwordHash, isActive: true }, transaction)
          await people.endSessionsOf(known.id, null, transaction)
        })
        return { id: known.id, secret }
      }
      const id = uuidv7()
      await addPerson(deps, { id, name: `${unattributedPrefix}${name}`, signIn, roles: ['emergency'], passwordHash }, by)
      return { id, secret }
    },

    async setRoles(id: string, roles: readonly Role[], by: By): Promise<void> {
      const account = await found(id)
      keepDevice(account)
      await keepAnAdmin(id, roles)
      if (id === by.id && roles.some((role) => !account.roles.includes(role)))
        throw new ApiError(409, 'own-role', 'Nobody gives themselves a role: ask another admin.')
      const given = giveRoles(account, roles, by, await hasOtherAdmin(by.id, id))
      await change(id, { change: 'roles', roles: given.roles }, by, async (transaction) => {
        const ended = given.roles.includes('admin') ? {} : noLongerAdmin(account)
        await people.saveAccess(id, { roles: given.roles.join(' '), askedRoles: null, ...ended }, transaction)
        // With its sessions whatever still listens ends: nothing of what they may not see any more is told.
        if (losesRight(account.roles, given.roles)) await people.endSessionsOf(id, null, transaction)
      })
      if (given.asked) await ask(id, given.asked, by)
    },

    /** @returns the code, where one was made */
    async act(id: string, action: PersonAction, by: By, session?: string): Promise<CodeAnswer | null> {
      const account = await found(id)
      switch (action) {
        case 'code':
          keepDevice(account)
          return giveCode(account, by)
        case 'end':
          if (id === by.id) throw new ApiError(409, 'last-admin', 'You cannot end your own access: ask another admin.')
          await keepAnAdmin(id, [])
          await change(id, { change: 'ended' }, by, async (transaction) => {
            await people.saveAccess(id, { isActive: false, ...noLongerAdmin(account) }, transaction)
            await people.raiseEpoch(id, transaction)
            await people.endSessionsOf(id, null, transaction)
          })
          return null
        case 'restore': {
          // Whoever comes back as a lead or an admin is made one again; whoever never went keeps what they are.
          if (account.isActive) return null
          const given = giveRoles({ roles: [], asked: account.asked }, account.roles, by, await hasOtherAdmin(by.id, id))
          await change(id, { change: 'restored' }, by, (transaction) =>
            people.saveAccess(id, { isActive: true, roles: given.roles.join(' '), askedRoles: null }, transaction),
          )
          if (given.asked) await ask(id, given.asked, by)
          return null
        }
        case 'second-factor-off':
          if (id === by.id) throw new ApiError(409, 'last-admin', 'You cannot take away your own second factor: ask another admin.')
          await change(id, { change: 'second-factor-off' }, by, async (transaction) => {
            await people.saveAccess(id, { secondSecret: null, secondSince: null }, transaction)
            await deps.second.dropRecovery(id, transaction)
            await people.endSessionsOf(id, null, transaction)
          })
          return null
        case 'let-in':
          await deps.failures.release(account.signIn)
          await change(id, { change: 'let-in' }, by, () => Promise.resolve())
          return null
        case 'end-session':
          await change(id, { change: 'sessions-ended' }, by, (transaction) => people.endOneOf(id, session ?? '', transaction))
          return null
        case 'end-sessions':
          await change(id, { change: 'sessions-ended' }, by, (transaction) => people.endSessionsOf(id, null, transaction))
          return null
      }
    },

    /** The secret of an authenticator app, for whoever gives their password again. */
    async beginSecondFactor(session: OpenSession, password: string): Promise<SecondFactorAnswer> {
      const { account } = session
      keepDevice(account)
      if (account.hasSecondFactor)
        throw new ApiError(409, 'second-factor', 'You have an authenticator app already: an admin takes it away, then you set up another.')
      await provePassword(session, password, 'password')
      return deps.second.begin(account)
    },

    /** From the first right code on, codes are asked for. @returns what stands in for the app when it is not at hand; said once */
    async confirmSecondFactor({ account, sessionId }: OpenSession, code: string): Promise<RecoveryAnswer> {
      const wasRight = await deps.tries.beginInside({ signIn: account.signIn, sessionId })
      if (account.hasSecondFactor || !(await deps.second.isRight(account, code)))
        throw invalidInput([
          { code: 'format', path: 'code', message: 'These are not the six digits of now: wait for the next ones and type them.' },
        ])
      await wasRight()
      return change(account.id, { change: 'second-factor' }, account, async (transaction) => {
        await people.saveAccess(account.id, { secondSince: new Date(clock()) }, transaction)
        await people.endSessionsOf(account.id, sessionId, transaction)
        return { recovery: await deps.second.makeRecovery(account.id, transaction) }
      })
    },

    /** New recovery codes in place of those of before, for whoever gives their password again. */
    async renewRecovery(session: OpenSession, password: string): Promise<RecoveryAnswer> {
      const { account } = session
      if (!account.hasSecondFactor)
        throw new ApiError(409, 'second-factor', 'You have no authenticator app: set one up, and its recovery codes come with it.')
      await provePassword(session, password, 'password')
      return change(account.id, { change: 'recovery-codes' }, account, async (transaction) => ({
        recovery: await deps.second.makeRecovery(account.id, transaction),
      }))
    },

    /** The password again, for what only an admin does. */
    async prove(session: OpenSession, password: string): Promise<void> {
      await provePassword(session, password, 'password')
      await people.noteProof(session.sessionId, new Date(clock()))
    },

    /** Where a person is signed in. */
    async ownSessions({ account, sessionId }: OpenSession): Promise<readonly OwnSession[]> {
      const sessions = await people.sessionsOf(account.id, new Date(clock()))
      return sessions.map((session) => ({ ...session, isThis: session.id === sessionId }))
    },
    /** A person ends one of their own sessions. */
    async endOwnSession({ account }: OpenSession, session: string): Promise<void> {
      await change(account.id, { change: 'sessions-ended' }, account, (transaction) => people.endOneOf(account.id, session, transaction))
    },

    /** A person chooses a password; their other sessions end. */
    async changePassword(session: OpenSession, current: string, next: string): Promise<void> {
      const { account, sessionId } = session
      await provePassword(session, current, 'current')
      if (next === current)
        throw invalidInput([{ code: 'format', path: 'next', message: 'The new password is the old one: choose another.' }])
      if (next.toLowerCase().includes(account.signIn))
        throw invalidInput([{ code: 'format', path: 'next', message: 'The new password has the sign-in name in it: choose another.' }])
      if (isRepeated(next))
        throw invalidInput([{ code: 'format', path: 'next', message: 'The new password says the same again and again: choose another.' }])
      if (isCommon(next))
        throw invalidInput([
          { code: 'format', path: 'next', message: 'Many people have this password, so it is tried first: choose another.' },
        ])
      const passwordHash = await hashPassword(next)
      await change(account.id, { change: 'password' }, account, async (transaction) => {
        await people.saveAccess(account.id, { passwordHash, mustChange: false, codeUntil: null }, transaction)
        await people.endSessionsOf(account.id, sessionId, transaction)
      })
    },
  }
}

export type PeopleManager = ReturnType<typeof createPeopleManager>
