import { createHash } from 'node:crypto'
import type { Clock } from '../ground/clock'
import { ApiError } from '../ground/api-error'
import type { TellSecurity } from '../ground/tell-security'
import type { SignInFailures } from '../repositories/sign-in-failures'

/** So many wrong ones from one device are tried freely, then each further one waits, min (HARDENING). */
export const ofDevice = { freeTries: 5, waitsMin: [1, 5, 15] } as const
/** From so many wrong ones in an hour, from wherever, each try of an account takes longer; nobody is refused for it. */
const slowFrom = 50
const slowMs = 5_000
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
}

export interface TryDeps {
  readonly failures: SignInFailures
  readonly clock: Clock
  /** Waits; a test passes over it. */
  readonly sleep: (ms: number) => Promise<void>
  readonly tell: TellSecurity
}

/** One counter of wrong passwords and codes, at sign-in and inside of a session: by account and device, by account over all, by address. */
export function createTryCounter({ failures, clock, sleep, tell }: TryDeps) {
  const paused = (...how: Parameters<typeof waiting>): ApiError => {
    tell('pause')
    return waiting(...how)
  }
  return {
    /**
     * Counts a try as wrong before it is known to be.
     * @returns what takes it back once it was right
     * @throws ApiError 429 during a wait
     */
    async begin({ signIn, device, address }: Tried): Promise<() => Promise<void>> {
      const keys = { device: keyOf('device', signIn, device), account: keyOf('account', signIn), address: keyOf('address', address) }
      const now = clock()
      const fromAddress = await failures.count(keys.address, { signIn: '', address }, now, ofAddress)
      if (fromAddress.waitUntil) throw paused('Too many wrong sign-ins from here', fromAddress.waitUntil, now)
      const fromDevice = await failures.count(keys.device, { signIn, address: device }, now, ofDevice)
      if (fromDevice.waitUntil) throw paused('Too many wrong tries with this name on this device', fromDevice.waitUntil, now)
      const { failures: overAll } = await failures.count(keys.account, { signIn, address: '' }, now, freely)
      if (overAll > slowFrom) {
        tell('slow-account')
        await sleep(slowMs)
      }
      return async () => {
        await failures.forget(keys.device)
        await failures.forget(keys.account)
        await failures.forgive(keys.address)
      }
    },
  }
}

export type TryCounter = ReturnType<typeof createTryCounter>

function waiting(what: string, until: Date, now: number): ApiError {
  const minutes = Math.max(1, Math.ceil((until.getTime() - now) / 60_000))
  return new ApiError(429, 'too-many', `${what}: wait ${minutes} min, or ask an admin.`)
}

function keyOf(...parts: readonly string[]): string {
  return createHash('sha256').update(parts.join('|')).digest('hex')
}
