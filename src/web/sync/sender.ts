import type { ProblemDetails } from '#contract/api/problem-details'
import type { ApiResult } from './api'

/** Where the line to the server stands, as far as sending tells. */
export type LineState = 'fine' | 'offline' | 'trouble'

/** Something that waits to go to the server: an event, an entry that somebody else left here, what was practised. */
export interface Letter {
  readonly id: string
  /** Letters of one lane go one after another. */
  readonly lane: string
  /** Sends it. `isQueued`: it waited, so that its time may not be taken for the time of sending. */
  send(isQueued: boolean): Promise<ApiResult<unknown>>
  /** The server has it. */
  taken(answer: unknown): void
  /** The server does not want it, and says why. */
  refused(problem: ProblemDetails): void
  /** The server fails at this one while it takes others: it waits to be sent again by somebody, and does not hold up the rest. */
  parked(): void
  /** Whether it waits for one that was entered before it; left out it waits for those of its lane. `isStuck`: the server keeps failing there. */
  mustWait?(earlier: Letter, isStuck: boolean): boolean
  /** Whether another one on its way may bring what the server does not know yet. */
  mayBring?(other: Letter): boolean
}

export interface SenderDeps {
  /** The session is over: nothing goes until somebody has signed in. */
  sessionOver(): void
  lineChanged(state: LineState): void
  isSessionOver(problem: ProblemDetails): boolean
  /** A steady clock, ms. */
  now(): number
  /** 0 to 1. */
  random(): number
  /** Calls back once after so many ms; a later call takes the place of the earlier one. */
  wakeAfter(ms: number): void
}

/** Sends letters in parallel, one queue a lane. */
export interface Sender {
  /** Puts a letter at the end of its lane; `isOld` when it comes from an earlier page. */
  add(letter: Letter, isOld?: boolean): void
  /** Sends what may go now. */
  flush(): void
  /** Forgets every wait: the line is back, or somebody has signed in. */
  retryNow(): void
  /** Takes a letter out: a person has decided about it. */
  drop(id: string): void
  /** Puts a parked letter back where it was. */
  unpark(id: string): void
}

interface Entry {
  readonly letter: Letter
  readonly addedAt: number
  readonly order: number
  state: 'waiting' | 'sending' | 'parked'
  /** It waited: then its time may not be taken for the time of sending. */
  isQueued: boolean
  faults: number
  notYets: number
  /** How many letters had been taken when its first fault came. */
  takenAtFirstFault: number
  readyAt: number
}

const mostAtOnce = 4
const faultsToPark = 5
const notYetsToRefuse = 4
const firstWaitMs = 1_000
const longestWaitMs = 60_000
/** What could not go within so long has waited. */
const queuedAfterMs = 30_000

/**
 * A queue per lane, in parallel. What the server does not know yet is tried again while it may still come. No answer, a busy server and one
 * behind a door that is shut never count against a letter; five faults of the server do when it takes others meanwhile: that one is parked,
 * and others go on.
 */
export function createSender(deps: SenderDeps): Sender {
  const entries: Entry[] = []
  let order = 0
  // Letters of an earlier page were entered before any of this one.
  let oldOrder = -1e9
  let taken = 0
  let awayWaits = 0
  /** Until then nothing is tried but one probe, since nobody answers. */
  let awayUntil = 0
  let isSessionOver = false
  let line: LineState = 'fine'

  const setLine = (state: LineState): void => {
    if (line === state) return
    line = state
    deps.lineChanged(state)
  }
  const backOff = (tries: number): number => Math.min(longestWaitMs, firstWaitMs * 2 ** Math.min(tries - 1, 10)) * (0.5 + deps.random())
  const remove = (entry: Entry): void => void entries.splice(entries.indexOf(entry), 1)

  const isStuck = (entry: Entry): boolean => entry.state === 'parked' || entry.faults >= faultsToPark
  const isHeldUp = ({ letter, order }: Entry): boolean =>
    entries.some((other) => {
      if (other.order >= order) return false
      return letter.mustWait ? letter.mustWait(other.letter, isStuck(other)) : other.letter.lane === letter.lane
    })
  const mayStillCome = ({ letter }: Entry): boolean =>
    entries.some((other) => other.letter !== letter && other.state !== 'parked' && letter.mayBring?.(other.letter) === true)

  const settle = (entry: Entry, result: ApiResult<unknown>): void => {
    switch (result.kind) {
      case 'ok':
        taken++
        awayWaits = 0
        awayUntil = 0
        remove(entry)
        entry.letter.taken(result.value)
        return
      case 'offline':
        return goAway(entry, 'offline')
      case 'trouble':
        return result.isFault ? fault(entry) : goAway(entry, 'trouble')
      case 'refused':
        if (deps.isSessionOver(result.problem)) {
          isSessionOver = true
          entry.state = 'waiting'
          entry.isQueued = true
          return deps.sessionOver()
        }
        awayWaits = 0
        awayUntil = 0
        if (isNotYet(result.problem) && (mayStillCome(entry) || entry.notYets + 1 < notYetsToRefuse)) {
          entry.notYets++
          return waitFor(entry, backOff(entry.notYets))
        }
        remove(entry)
        return entry.letter.refused(result.problem)
    }
  }
  const waitFor = (entry: Entry, ms: number): void => {
    entry.state = 'waiting'
    entry.isQueued = true
    entry.readyAt = deps.now() + ms
  }
  const goAway = (entry: Entry, state: LineState): void => {
    setLine(state)
    awayWaits++
    awayUntil = deps.now() + backOff(awayWaits)
    waitFor(entry, 0)
  }
  const fault = (entry: Entry): void => {
    setLine('trouble')
    if (entry.faults === 0) entry.takenAtFirstFault = taken
    entry.faults++
    if (entry.faults >= faultsToPark && taken > entry.takenAtFirstFault) {
      entry.state = 'parked'
      entry.isQueued = true
      return entry.letter.parked()
    }
    waitFor(entry, backOff(entry.faults))
  }

  const start = (entry: Entry): void => {
    entry.state = 'sending'
    void entry.letter
      .send(entry.isQueued || deps.now() - entry.addedAt > queuedAfterMs)
      .catch((): ApiResult<unknown> => ({ kind: 'offline' }))
      .then((result) => {
        // A person may have taken it out meanwhile.
        if (entries.includes(entry)) settle(entry, result)
        flush()
      })
  }

  function flush(): void {
    if (isSessionOver) return
    const now = deps.now()
    const sending = entries.filter((entry) => entry.state === 'sending').length
    const most = now < awayUntil ? 0 : awayWaits > 0 ? 1 : mostAtOnce
    const ready = entries.filter((entry) => entry.state === 'waiting' && entry.readyAt <= now && !isHeldUp(entry))
    for (const entry of ready.slice(0, Math.max(0, most - sending))) start(entry)
    const isTroubled = entries.some((entry) => entry.state !== 'parked' && entry.faults > 0)
    if (awayWaits === 0) setLine(isTroubled ? 'trouble' : 'fine')
    const waits = entries.filter((entry) => entry.state === 'waiting').map((entry) => Math.max(entry.readyAt, awayUntil))
    const next = Math.min(...waits.filter((at) => at > now))
    if (Number.isFinite(next)) deps.wakeAfter(next - now)
  }

  return {
    add(letter, isOld = false) {
      entries.push({
        letter,
        order: isOld ? oldOrder++ : order++,
        addedAt: deps.now(),
        state: 'waiting',
        isQueued: isOld,
        faults: 0,
        notYets: 0,
        takenAtFirstFault: 0,
        readyAt: 0,
      })
    },
    flush,
    retryNow() {
      isSessionOver = false
      awayUntil = 0
      for (const entry of entries) entry.readyAt = 0
      flush()
    },
    drop(id) {
      const entry = entries.find((one) => one.letter.id === id)
      if (entry) remove(entry)
      flush()
    },
    unpark(id) {
      const entry = entries.find((one) => one.letter.id === id)
      if (!entry || entry.state !== 'parked') return
      entry.state = 'waiting'
      entry.faults = 0
      entry.readyAt = 0
      flush()
    },
  }
}

/** Whether the server only does not know yet what a letter is about: another one on its way may bring it. */
function isNotYet(problem: ProblemDetails): boolean {
  return problem.status === 404 || (problem.errors ?? []).some((error) => error.code === 'not-known')
}
