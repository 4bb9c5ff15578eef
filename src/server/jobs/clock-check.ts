import { setTimeout as sleep } from 'node:timers/promises'
import type { Logger } from 'pino'
import { refuseMs, type Clock, type ClockState, type ComparedClock } from '../ground/clock'
import type { Servers } from '../repositories/servers'

/** So often each server says that it is there. */
export const beatMs = 15_000
/** Heard of within so long a server counts as being there: two beats, and a little. */
export const heardWithinS = 35
/** Beyond it a clock is said to be wrong. */
const warnMs = 2_000
/** Whoever stood still for so long compares before the next answer. */
const stoodStillMs = 5_000
const longestCatchUpMs = 2_000
/** A measurement that took longer says nothing about who is late. */
const longestAskMs = 1_000
const saidEveryMs = 60_000

export interface ClockCheck extends ComparedClock {
  /** Whether the clock is near enough to the database's for a day to be sealed by it. */
  readonly isTrusted: () => boolean
  /** The database's time, as far as it is known: one's own before it was measured. */
  readonly databaseNow: Clock
  /**
   * The time that what is received is stamped with: that of the last moment at which this clock agreed, carried on by how long it is ago, so that
   * a clock that jumps moves no entry; its own where it never agreed. Never before the end of the last day that is sealed.
   */
  readonly now: Clock
  /** Measures, and says that this server is there. */
  tick(): Promise<void>
  /** This server goes. */
  leave(): Promise<void>
}

/** Compares the server's clock with the database's, and with those of the other servers. */
export function createClockCheck({
  servers,
  clock,
  monotonic = () => performance.now(),
  log,
  self,
}: {
  readonly servers: Servers
  readonly clock: Clock
  /** How long the machine has run, ms: never set by anybody. */
  readonly monotonic?: () => number
  readonly log: Logger
  readonly self: { readonly id: string; readonly host: string }
}): ClockCheck {
  let state: ClockState = { offsetMs: null, isRefused: false }
  let agreed: { readonly atMs: number; readonly since: number } | null = null
  let sealedUntilMs = -Infinity
  let lastMs = -Infinity
  let seen = monotonic()
  let seenWallMs = clock()
  let catchingUp: Promise<void> = Promise.resolve()
  let saidAtMs = -Infinity
  let underWay: Promise<void> = Promise.resolve()

  function look(): void {
    seen = monotonic()
    seenWallMs = clock()
  }

  async function measure(): Promise<number | null> {
    const before = clock()
    const started = monotonic()
    const theirs = await servers.now()
    const tookMs = monotonic() - started
    return tookMs > longestAskMs ? null : Math.round(before + tookMs / 2 - theirs)
  }

  /** A wrong clock is said once a minute. */
  function say(offsetMs: number, isRefused: boolean): void {
    if (Math.abs(offsetMs) <= warnMs || performance.now() - saidAtMs < saidEveryMs) return
    saidAtMs = performance.now()
    const words = `the clock of this server is ${Math.abs(offsetMs / 1_000).toFixed(1)} s ${offsetMs > 0 ? 'ahead of' : 'behind'} the database's: set it by a time server`
    if (isRefused) log.error({ offsetMs }, `${words}; until then it serves nobody`)
    else log.warn({ offsetMs }, `${words}; entries are stamped by the last time that agreed, and no day is sealed meanwhile`)
  }

  async function compare(): Promise<void> {
    try {
      const offsetMs = await measure()
      if (offsetMs === null) return
      await servers.beat({ ...self, offsetMs })
      const others = (await servers.heardWithin(heardWithinS)).filter((server) => server.id !== self.id)
      const isRefused = Math.abs(offsetMs) > refuseMs && others.some((one) => Math.abs(one.offsetMs) <= warnMs)
      state = { offsetMs, isRefused }
      sealedUntilMs = (await servers.sealedUntilMs()) ?? sealedUntilMs
      if (Math.abs(offsetMs) <= warnMs) agreed = { atMs: clock(), since: monotonic() }
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
    now() {
      if (!agreed) return Math.max(clock(), sealedUntilMs)
      lastMs = Math.max(lastMs, Math.floor(agreed.atMs + monotonic() - agreed.since), sealedUntilMs)
      return lastMs
    },
    caughtUp() {
      const stood = monotonic() - seen
      // A machine that slept ran no further meanwhile: its clock jumped instead.
      const jumpedMs = Math.abs(clock() - seenWallMs - stood)
      look()
      // A database that stands still keeps nobody waiting here: what asks it says so.
      if (stood > stoodStillMs || jumpedMs > warnMs)
        catchingUp = Promise.race([(underWay = compare()), sleep(longestCatchUpMs, undefined, { ref: false })])
      return catchingUp
    },
    tick() {
      look()
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
