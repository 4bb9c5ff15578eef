import { createHash, randomBytes } from 'node:crypto'
import type { Clock } from '../ground/clock'
import { ApiError } from '../ground/api-error'
import type { Account, PeopleRepository } from '../repositories/people'
import { hashPassword, verifyPassword } from './password'

const idleMs = 12 * 3_600_000
const lockAfter = 6
const lockMs = 10 * 60_000

export interface OpenSession {
  readonly account: Account
  readonly csrf: string
  readonly sessionId: string
}

/** Sign-in with lockout, and sessions kept in the database under a hash of their token. */
export function createSignInService(people: PeopleRepository, clock: Clock) {
  const decoy = hashPassword(randomBytes(12).toString('hex'))
  return {
    /** Opens a session. Wrong names and wrong passwords get the same answer in the same time. */
    async signIn(signIn: string, password: string): Promise<{ token: string; csrf: string; account: Account }> {
      const account = await people.findBySignIn(signIn)
      const now = clock()
      if (account?.lockedUntil && account.lockedUntil.getTime() > now) {
        const minutes = Math.ceil((account.lockedUntil.getTime() - now) / 60_000)
        throw new ApiError(423, 'locked', `Too many wrong passwords: wait ${minutes} min, or ask an admin.`)
      }
      const isRight = await verifyPassword(password, account?.passwordHash ?? (await decoy))
      if (!account || !isRight) {
        if (account) {
          const failed = account.failedCount + 1
          await people.recordFailure(account.id, failed >= lockAfter ? 0 : failed, failed >= lockAfter ? new Date(now + lockMs) : null)
        }
        throw new ApiError(401, 'wrong-sign-in', 'Name and password do not match: check both and try again.')
      }
      if (account.failedCount > 0) await people.recordFailure(account.id, 0, null)
      const token = randomBytes(32).toString('base64url')
      const csrf = randomBytes(32).toString('hex')
      const at = new Date(now)
      await people.dropExpired(at)
      await people.createSession({
        id: sessionIdOf(token),
        personId: account.id,
        csrf,
        createdAt: at,
        lastSeenAt: at,
        expiresAt: new Date(now + idleMs),
      })
      return { token, csrf, account }
    },

    /** The session of a token, or null; using it keeps it open for another 12 hours. */
    async resume(token: string): Promise<OpenSession | null> {
      const id = sessionIdOf(token)
      const row = await people.findSession(id)
      const now = clock()
      if (!row || new Date(row.expiresAt).getTime() < now) return null
      const account = await people.find(row.personId)
      if (!account) return null
      if (now - new Date(row.lastSeenAt).getTime() > 60_000) await people.touchSession(id, new Date(now), new Date(now + idleMs))
      return { account, csrf: row.csrf, sessionId: id }
    },

    /** Whether a session goes on, without keeping it open by asking. */
    async isOpen(sessionId: string): Promise<boolean> {
      const row = await people.findSession(sessionId)
      return row !== null && new Date(row.expiresAt).getTime() >= clock()
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
