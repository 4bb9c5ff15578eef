import { createHash } from 'node:crypto'
import pLimit, { type LimitFunction } from 'p-limit'
import type { Clock } from '../ground/clock'
import { ApiError } from '../ground/api-error'
import type { TellSecurity } from '../ground/tell-security'
import type { SignInFailures } from '../repositories/sign-in-failures'

/** So many wrong ones from one device are tried freely, then each further one waits, min. */
export const ofDevice = { freeTries: 5, waitsMin: [1, 5, 15] } as const
/** From so many wrong ones in an hour, from wherever, strangers' tries of an account come one after the other, so far apart. */
const slowFrom = 50
const slowMs = 5_000
/** So many wait for their turn; the others are asked to come back. */
const mostSlow = 20
/** A whole ward shares one address. */
const ofAddress = { freeTries: 300, waitsMin: [60] } as const
const freely = { freeTries: Infinity, waitsMin: [] } as const

/** Whose password or code is tried, and from where. */
export interface Tried {
  /** In its one form. */
  readonly signIn: string
  /** As the browser names itself; the address where it does not. */
  readonly device: string
  readonly address: string
  /** The name that the server gave this device, where the account signed in well on it before, or where it is paired; null on any other. */
  readonly known: string | null
}

/** A try that was counted. */
export interface CountedAsWrong {
  /** What it waits for before the password is looked at: its turn, or null for nothing. @throws ApiError 503 where too many wait */
  readonly turn: (() => Promise<void>) | null
  /** It was right after all. */
  readonly wasRight: () => Promise<void>
}

export interface TryDeps {
  readonly failures: SignInFailures
  readonly clock: Clock
  /** Waits; a test passes over it. */
  readonly sleep: (ms: number) => Promise<void>
  readonly tell: TellSecurity
}

/**
 * One counter of wrong passwords and codes. At sign-in by account and device, and for strangers by account over all and by address too: a
 * device on which the account signed in well before is kept waiting by nobody elsewhere. Inside of a session by the session.
 */
export function createTryCounter({ failures, clock, sleep, tell }: TryDeps) {
  const paused = (...how: Parameters<typeof waiting>): ApiError => {
    tell('pause')
    return waiting(...how)
  }
  /** For each account that is slow, who waits for it. */
  const slow = new Map<string, LimitFunction>()
  async function takeTurn(account: string): Promise<void> {
    tell('slow-account')
    const inTurn = slow.get(account) ?? pLimit(1)
    if (inTurn.pendingCount >= mostSlow)
      throw new ApiError(
        503,
        'unavailable',
        'This name is tried too often at this moment: try again in a minute, or on a device where you signed in before.',
        {
          retryAfterS: 60,
        },
      )
    slow.set(account, inTurn)
    await inTurn(() => sleep(slowMs))
    if (inTurn.activeCount + inTurn.pendingCount === 0) slow.delete(account)
  }

  async function countHere(key: string, signIn: string, where: string): Promise<void> {
    const now = clock()
    const { waitUntil } = await failures.count(key, { signIn, address: where }, now, ofDevice)
    if (waitUntil) throw paused('Too many wrong tries with this name on this device', waitUntil, now)
  }

  return {
    /**
     * Counts a try to sign in as wrong before it is known to be.
     * @throws ApiError 429 during a wait
     */
    async begin({ signIn, device, address, known }: Tried): Promise<CountedAsWrong> {
      if (known !== null) {
        const key = keyOf('known', signIn, known)
        await countHere(key, signIn, device)
        return { turn: null, wasRight: () => failures.forget(key) }
      }
      const keys = { device: keyOf('device', signIn, device), account: keyOf('account', signIn), address: keyOf('address', address) }
      const now = clock()
      const fromAddress = await failures.count(keys.address, { signIn: '', address }, now, ofAddress)
      if (fromAddress.waitUntil)
        throw paused('Too many wrong sign-ins from here', fromAddress.waitUntil, now, ', use a device where you signed in before')
      await countHere(keys.device, signIn, device)
      const { failures: overAll } = await failures.count(keys.account, { signIn, address: '' }, now, freely)
      return {
        turn: overAll > slowFrom ? () => takeTurn(keys.account) : null,
        async wasRight() {
          await failures.forget(keys.device)
          await failures.forget(keys.account)
          await failures.forgive(keys.address)
        },
      }
    },

    /**
     * Counts a password or a code that is given inside of a session.
     * @returns what takes it back once it was right
     * @throws ApiError 429 during a wait
     */
    async beginInside({ signIn, sessionId }: { readonly signIn: string; readonly sessionId: string }): Promise<() => Promise<void>> {
      const key = keyOf('session', sessionId)
      await countHere(key, signIn, 'a session of theirs')
      return () => failures.forget(key)
    },
  }
}

export type TryCounter = ReturnType<typeof createTryCounter>

function waiting(what: string, until: Date, now: number, otherwise = ''): ApiError {
  const minutes = Math.max(1, Math.ceil((until.getTime() - now) / 60_000))
  return new ApiError(429, 'too-many', `${what}: wait ${minutes} min${otherwise}, or ask an admin.`)
}

/** Under which key tries are counted, so that no name or address stands in the table as its key. */
export function keyOf(...parts: readonly string[]): string {
  return createHash('sha256').update(parts.join('|')).digest('hex')
}
