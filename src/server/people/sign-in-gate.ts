import pLimit, { type LimitFunction } from 'p-limit'
import { ApiError } from '../ground/api-error'
import type { TellSecurity } from '../ground/tell-security'

/** A password costs memory and a processor: so many are looked at at once, and so many wait. */
const ofStrangers = { atOnce: 1, waiting: 23 } as const
/** Whoever signed in on this device before waits behind no stranger. */
const ofKnown = { atOnce: 4, waiting: 60 } as const
const againInS = 2

/** Lets so many sign in at once, and asks the others to come back, so that whoever works is not kept waiting by them. */
export function createSignInGate(tell: TellSecurity) {
  const lanes = { known: pLimit(ofKnown.atOnce), strangers: pLimit(ofStrangers.atOnce) }
  const laneOf = (isKnown: boolean): LimitFunction => (isKnown ? lanes.known : lanes.strangers)
  return {
    /**
     * @param isKnown whether the account signed in well on this device before
     * @throws ApiError 503 with Retry-After, before anything is counted or looked at
     */
    async enter<T>(isKnown: boolean, work: () => Promise<T>): Promise<T> {
      const lane = laneOf(isKnown)
      if (lane.pendingCount >= (isKnown ? ofKnown : ofStrangers).waiting) {
        tell('signed-in-refused')
        throw new ApiError(503, 'unavailable', 'Too many people sign in at this moment: try again in a few seconds.', {
          retryAfterS: againInS,
        })
      }
      return lane(work)
    },
    /** The rest of what was let in before and waited elsewhere: it is not asked to come back. */
    goOn: <T>(isKnown: boolean, work: () => Promise<T>): Promise<T> => laneOf(isKnown)(work),
  }
}

export type SignInGate = ReturnType<typeof createSignInGate>
