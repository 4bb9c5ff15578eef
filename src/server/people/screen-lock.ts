import { mostPinTries, pinWaits } from '#contract/pin-tries'
import type { Clock } from '../ground/clock'
import { ApiError } from '../ground/api-error'
import type { PeopleRepository } from '../repositories/people'
import { hashPassword, verifyPassword } from './password'
import type { OpenSession } from './sign-in'

/** The lock of a session's screen: it is the server's, so that loading the page anew does not open it. */
export function createScreenLock(people: PeopleRepository, clock: Clock) {
  return {
    lock: ({ sessionId }: OpenSession): Promise<void> => people.setLocked(sessionId, new Date(clock())),

    /** Sets the short PIN that opens this session's lock. */
    async setPin({ sessionId }: OpenSession, pin: string): Promise<void> {
      await people.setPin(sessionId, await hashPassword(pin))
    },

    /**
     * Opens the lock by its PIN.
     * @throws ApiError 401 for a wrong one, 429 while it waits; after the last try the PIN is gone and the password opens
     */
    async unlock({ sessionId, pinHash }: OpenSession, pin: string): Promise<void> {
      const now = clock()
      const waits = pinWaits.map(({ after, minutes }) => ({ after, until: new Date(now + minutes * 60_000) }))
      const mayTry = await people.countPinTry(sessionId, new Date(now), mostPinTries, waits)
      const { tries, waitUntil } = await people.pinOf(sessionId)
      if (!mayTry && pinHash !== null && tries < mostPinTries && waitUntil && waitUntil.getTime() > now) {
        const minutes = Math.max(1, Math.ceil((waitUntil.getTime() - now) / 60_000))
        throw new ApiError(429, 'too-many', `Too many wrong PINs: wait ${minutes} min, or use your password.`)
      }
      if (!mayTry || pinHash === null) {
        await people.setPin(sessionId, null)
        throw new ApiError(401, 'no-pin', 'The PIN does not open this any more: use your password.')
      }
      if (!(await verifyPassword(pin, pinHash)))
        throw new ApiError(401, 'wrong-pin', 'This is not the PIN: try again, or use your password.')
      await people.setLocked(sessionId, null)
    },
  }
}

export type ScreenLock = ReturnType<typeof createScreenLock>
