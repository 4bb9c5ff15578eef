import type { Clock } from '../ground/clock'
import { ApiError } from '../ground/api-error'
import type { PeopleRepository } from '../repositories/people'
import { hashPassword, verifyPassword } from './password'
import type { OpenSession } from './sign-in'

/** After so many wrong PINs the password is asked for. */
const mostPinTries = 5

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
     * @throws ApiError 401 for a wrong one; after five the PIN is gone and the password opens
     */
    async unlock({ sessionId, pinHash }: OpenSession, pin: string): Promise<void> {
      const mayTry = await people.countPinTry(sessionId, mostPinTries)
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
