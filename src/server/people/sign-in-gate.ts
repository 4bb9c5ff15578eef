import { ApiError } from '../ground/api-error'
import type { TellSecurity } from '../ground/tell-security'

/** So many are looked at at once, and so many wait; a password costs memory and a processor. */
const mostInside = 24
const againInS = 2

/** Lets so many sign in at once, and asks the others to come back, so that whoever works is not kept waiting by them. */
export function createSignInGate(tell: TellSecurity) {
  let inside = 0
  return {
    /** @throws ApiError 503 with Retry-After, before anything is counted or looked at */
    async enter<T>(work: () => Promise<T>): Promise<T> {
      if (inside >= mostInside) {
        tell('signed-in-refused')
        throw new ApiError(503, 'unavailable', 'Too many people sign in at this moment: try again in a few seconds.', {
          retryAfterS: againInS,
        })
      }
      inside++
      try {
        return await work()
      } finally {
        inside--
      }
    },
  }
}

export type SignInGate = ReturnType<typeof createSignInGate>
