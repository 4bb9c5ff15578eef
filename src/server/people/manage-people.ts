import { randomBytes } from 'node:crypto'
import { v7 as uuidv7 } from 'uuid'
import type { AskedRoles, CodeAnswer, ManagedPeopleAnswer, PersonAction } from '#contract/api/people'
import { unattributedPrefix } from '#contract/records/episode'
import { losesRight, type Role } from '#contract/rights'
import { ApiError, invalidInput } from '../ground/api-error'
import type { TellSecurity } from '../ground/tell-security'
import type { Account } from '../repositories/people'
import type { SignInFailures } from '../repositories/sign-in-failures'
import { signInForm } from '#contract/sign-in-name'
import { lookOf } from './look-of-name'
import { createAccessChanges, keepDevice, type By } from './access-changes'
import { addPerson } from './add-person'
import { giveRoles } from './give-roles'
import { makeCode } from './made-code'
import { createOwnAccess, type OwnAccessDeps } from './own-access'
import { hashPassword, hashSecret } from './password'

const codeMs = 24 * 3_600_000
const codeLength = 12
const dayMs = 24 * 3_600_000

/** Bytes of what a paired device proves itself with; nobody types it. */
const secretBytes = 32

export interface ManageDeps extends OwnAccessDeps {
  readonly failures: Pick<SignInFailures, 'paused' | 'release' | 'releaseAddress'>
  readonly tell: TellSecurity
}

/** Who may come in, with which roles and how: what an admin does, and what people do of their own. */
export function createPeopleManager(deps: ManageDeps) {
  const { people, clock } = deps
  const { change } = createAccessChanges(deps)

  async function found(id: string): Promise<Account> {
    const account = await people.find(id)
    if (!account) throw new ApiError(404, 'not-found', 'There is no such person: look at the list.')
    return account
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
    ...createOwnAccess(deps),

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
  }
}

export type PeopleManager = ReturnType<typeof createPeopleManager>
