import type { Logger } from 'pino'
import type { Clock } from '../ground/clock'
import type { Servers } from '../repositories/servers'

/** So often each server says that it is there. */
export const beatMs = 15_000
/** Heard of within so long a server counts as being there. */
export const heardWithinS = 60
/** Beyond it a clock is said to be wrong. */
const warnMs = 2_000
/** Beyond it the server does not serve, unless all servers differ alike. */
const refuseMs = 5_000
/** A measurement that took longer says nothing about who is late. */
const longestAskMs = 1_000
const saidEveryMs = 60_000

/** How the server's clock stands to the database's. */
export interface ClockState {
  /** This server's clock less the database's, ms; null before it was measured. */
  readonly offsetMs: number | null
  /** It is so far off, and other servers are not, that times of entries would not fit together. */
  readonly isRefused: boolean
}

export interface ClockCheck {
  readonly state: ClockState
  /** Whether the clock is near enough to the database's for a day to be sealed by it. */
  readonly isTrusted: () => boolean
  /** The database's time, as far as it is known: one's own before it was measured. */
  readonly databaseNow: Clock
  /** Measures, and says that this server is there. */
  tick(): Promise<void>
  /** This server goes. */
  leave(): Promise<void>
}

/** Compares the server's clock with the database's, and with those of the other servers. */
export function createClockCheck({
  servers,
  clock,
  log,
  self,
}: {
  readonly servers: Servers
  readonly clock: Clock
  readonly log: Logger
  readonly self: { readonly id: string; readonly host: string }
}): ClockCheck {
  let state: ClockState = { offsetMs: null, isRefused: false }
  let saidAtMs = -Infinity
  let underWay: Promise<void> = Promise.resolve()

  async function measure(): Promise<number | null> {
    const before = clock()
    const started = performance.now()
    const theirs = await servers.now()
    const tookMs = performance.now() - started
    return tookMs > longestAskMs ? null : Math.round(before + tookMs / 2 - theirs)
  }

  /** A wrong clock is said once a minute. */
  function say(offsetMs: number, isRefused: boolean): void {
    if (Math.abs(offsetMs) <= warnMs || performance.now() - saidAtMs < saidEveryMs) return
    saidAtMs = performance.now()
    const words = `the clock of this server is ${Math.abs(offsetMs / 1_000).toFixed(1)} s ${offsetMs > 0 ? 'ahead of' : 'behind'} the database's: set it by a time server`
    if (isRefused) log.error({ offsetMs }, `${words}; until then it serves nobody`)
    else log.warn({ offsetMs }, `${words}; no day is sealed meanwhile`)
  }

  async function compare(): Promise<void> {
    try {
      const offsetMs = await measure()
      if (offsetMs === null) return
      await servers.beat({ ...self, offsetMs })
      const others = (await servers.heardWithin(heardWithinS)).filter((one) => one.id !== self.id)
      const isAlike = others.every((one) => Math.abs(one.offsetMs - offsetMs) <= warnMs)
      const isRefused = Math.abs(offsetMs) > refuseMs && !isAlike
      state = { offsetMs, isRefused }
      say(offsetMs, isRefused)
    } catch (error) {
      log.debug({ reason: (error as Error).name }, 'the clock could not be compared')
    }
  }

  return {
    get state() {
      return state
    },
    isTrusted: () => state.offsetMs !== null && Math.abs(state.offsetMs) <= warnMs,
    databaseNow: () => clock() - (state.offsetMs ?? 0),
    tick() {
      underWay = compare()
      return underWay
    },
    async leave() {
      // A beat that is still on its way would say that this server is there after it went.
      await underWay
      await servers.leave(self.id).catch(() => undefined)
    },
  }
}
