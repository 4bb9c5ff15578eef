import { createHash, randomBytes } from 'node:crypto'
import { signInForm } from '#contract/sign-in-name'
import type { Clock } from '../ground/clock'
import { ApiError } from '../ground/api-error'
import type { TellSecurity } from '../ground/tell-security'
import type { Account, PeopleRepository } from '../repositories/people'
import type { SignInFailures } from '../repositories/sign-in-failures'
import type { SignInGate } from './sign-in-gate'
import type { CountedAsWrong, Tried, TryCounter } from './count-tries'
import type { SecondFactor } from './second-factor'
import { hashPassword, verifyPassword } from './password'

const idleMs = 12 * 3_600_000
/** However busy: after a day whoever it is says again who they are. */
const longestMs = 24 * 3_600_000

export interface OpenSession {
  readonly account: Account
  readonly csrf: string
  readonly sessionId: string
  /** Its screen is locked: only the page that was there before may go on. */
  readonly isLocked: boolean
  readonly pinHash: string | null
  /** When the password was last given in it, ms since the epoch. */
  readonly provedAtMs: number
  /** Nobody has asked anything in it for so long, ms. */
  readonly idleMs: number
}

/** A session that was just opened. */
export interface Opened extends Pick<OpenSession, 'account' | 'csrf' | 'pinHash'> {
  readonly token: string
}

/** Sign-in with a pause after wrong passwords, and sessions kept in the database under a hash of their token. */
export function createSignInService(
  people: PeopleRepository,
  {
    failures,
    tries,
    gate,
    tell,
  }: { readonly failures: SignInFailures; readonly tries: TryCounter; readonly gate: SignInGate; readonly tell: TellSecurity },
  second: SecondFactor,
  clock: Clock,
) {
  const decoy = hashPassword(randomBytes(12).toString('hex'))
  /** Whose name and password these are. @throws ApiError 401 */
  async function check(form: string, password: string, code: string | undefined): Promise<Account> {
    const now = clock()
    const account = await people.findBySignIn(form)
    const isRight = await verifyPassword(password, account?.passwordHash ?? (await decoy))
    const isOver = account?.codeUntil ? account.codeUntil.getTime() <= now : false
    if (!account?.isActive || isOver || !isRight)
      throw new ApiError(401, 'wrong-sign-in', 'Name and password do not match: check both and try again.')
    // The count stays: a right password alone buys no more tries of a code.
    if (account.hasSecondFactor && code === undefined)
      throw new ApiError(401, 'second-factor', 'Type the six digits that your authenticator app shows now.')
    if (account.hasSecondFactor && !(await second.isRight(account, code ?? ''))) {
      tell('second-factor-wrong', account.id)
      throw new ApiError(401, 'second-factor', 'These are not the six digits of now, or they were used: wait for the next ones.')
    }
    if (account.codeUntil && !(await people.useCode(account.id, new Date(now))))
      throw new ApiError(401, 'wrong-sign-in', 'Name and password do not match: check both and try again.')
    return account
  }

  async function open(account: Account, before: OpenSession | undefined): Promise<Opened> {
    const now = clock()
    const token = randomBytes(32).toString('base64url')
    const csrf = randomBytes(32).toString('hex')
    const at = new Date(now)
    const pinHash = before?.account.id === account.id ? before.pinHash : null
    await people.createSession({
      id: sessionIdOf(token),
      personId: account.id,
      csrf,
      createdAt: at,
      lastSeenAt: at,
      expiresAt: new Date(now + idleMs),
      lockedAt: null,
      pinHash,
      pinFailures: 0,
      pinWaitUntil: null,
      provedAt: at,
    })
    if (before) await people.endSession(before.sessionId)
    return { token, csrf, account, pinHash }
  }

  return {
    /**
     * Opens a session. Wrong names and wrong passwords get the same answer in the same time, and the same wait: counted by name and device, by
     * all servers together, so that nobody shuts out anybody elsewhere. A one-time code is used up by it.
     * @param from where it is tried, and whether the account is known there
     * @param before the session of that browser until now: it ends, and the same person keeps the PIN
     * @param code of their authenticator app, where they have one
     * @throws ApiError 401 for a wrong one, 429 during the pause, 503 where too many do so at once
     */
    async signIn(signIn: string, password: string, from: Omit<Tried, 'signIn'>, before?: OpenSession, code?: string): Promise<Opened> {
      const form = signInForm(signIn)
      const isKnown = from.known !== null
      const look = async (wasRight: CountedAsWrong['wasRight']): Promise<Opened> => {
        const account = await check(form, password, code)
        await wasRight()
        return open(account, before)
      }
      const first = await gate.enter(isKnown, async () => {
        const counted = await tries.begin({ signIn: form, ...from })
        return counted.turn ? counted : look(counted.wasRight)
      })
      if (!('turn' in first)) return first
      // Whoever waits for their turn keeps nobody else from theirs, and was let in already.
      await first.turn?.()
      return gate.goOn(isKnown, () => look(first.wasRight))
    },

    /** For a paired device that proved itself: nobody types anything, nothing is counted, and who begins in an emergency waits behind nobody. */
    signInDevice: open,

    /** The session of a token, or null; using it keeps it open for another 12 hours, and for a day at most. */
    async resume(token: string): Promise<OpenSession | null> {
      const id = sessionIdOf(token)
      const found = await people.findSession(id)
      const now = clock()
      if (!found?.account.isActive || new Date(found.row.expiresAt).getTime() < now) return null
      const { row, account } = found
      if (now - new Date(row.lastSeenAt).getTime() > 60_000) {
        const until = Math.min(now + idleMs, new Date(row.createdAt).getTime() + longestMs)
        // That somebody was here may be noted a minute later: it is no reason to refuse them.
        await people.touchSession(id, new Date(now), new Date(until)).catch(() => undefined)
      }
      return {
        account,
        csrf: row.csrf,
        sessionId: id,
        isLocked: row.lockedAt !== null,
        pinHash: row.pinHash,
        provedAtMs: row.provedAt ? new Date(row.provedAt).getTime() : 0,
        idleMs: now - new Date(row.lastSeenAt).getTime(),
      }
    },

    /** Which of these sessions go on, without keeping them open by asking. */
    openOf: (sessionIds: readonly string[]): Promise<ReadonlySet<string>> => people.openSessions(sessionIds, new Date(clock())),

    /** Lets go of what is over. Never beside a sign-in: sweeping many rows and writing one can stand in each other's way. */
    async sweep(): Promise<void> {
      const now = new Date(clock())
      await people.dropExpired(now)
      await failures.dropOld(now)
    },

    async signOut(sessionId: string): Promise<void> {
      await people.endSession(sessionId)
    },
  }
}

export type SignInService = ReturnType<typeof createSignInService>

function sessionIdOf(token: string): string {
  return createHash('sha256').update(token).digest('hex')
}
