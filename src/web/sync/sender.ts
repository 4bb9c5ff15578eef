import type { EventAnswer } from '#contract/api/answers'
import type { EventInput } from '#contract/event'
import { eventKinds, type EventKindId } from '#contract/events/index'
import type { ProblemDetails } from '#contract/api/problem-details'
import type { ApiResult } from './api'
import { streamsNamedBy } from './streams-named-by'

/** Where the line to the server stands, as far as sending tells. */
export type LineState = 'fine' | 'offline' | 'trouble'

/** What becomes of an event in the end, or what a person has to decide about. */
export interface SenderEvents {
  /** The server has it. */
  taken(event: EventInput, answer: EventAnswer): void
  /** The server does not want it, and says why. */
  refused(event: EventInput, problem: ProblemDetails): void
  /** The server fails at this one while it takes others: it waits for a person, and does not hold up the rest. */
  parked(event: EventInput): void
  /** The session is over: nothing goes until somebody has signed in. */
  sessionOver(): void
  lineChanged(state: LineState): void
}

export interface SenderDeps extends SenderEvents {
  send(event: EventInput): Promise<ApiResult<EventAnswer>>
  isSessionOver(problem: ProblemDetails): boolean
  /** A steady clock, ms. */
  now(): number
  /** 0 to 1. */
  random(): number
  /** Calls back once after so many ms; a later call takes the place of the earlier one. */
  wakeAfter(ms: number): void
}

/** Sends events in parallel, one queue a stream. */
export interface Sender {
  /** Puts an event at the end of its stream's queue; `isOld` when it comes from an earlier page. */
  add(event: EventInput, isOld?: boolean): void
  /** Sends what may go now. */
  flush(): void
  /** Forgets every wait: the line is back, or somebody has signed in. */
  retryNow(): void
  /** Takes an event out: a person has decided about it. */
  drop(id: string): void
  /** Puts a parked event back where it was. */
  unpark(id: string): void
}

interface Entry {
  readonly event: EventInput
  readonly order: number
  state: 'waiting' | 'sending' | 'parked'
  /** It waited: then its time may not be taken for the time of sending. */
  isQueued: boolean
  faults: number
  notYets: number
  /** How many events had been taken when its first fault came. */
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
 * A queue per stream, in parallel. An event waits for earlier events of the streams that it names, so that a case never overtakes its
 * stay; what the server does not know yet is tried again while it may still come. No answer, a busy server and one behind a door that is shut
 * never count against an event; five faults of the server do when it takes other events meanwhile: that one is parked, and additive events
 * of its stream go on.
 */
export function createSender(deps: SenderDeps): Sender {
  const entries: (Entry & { readonly addedAt: number })[] = []
  let order = 0
  // Events of an earlier page were entered before any of this one.
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
  const remove = (entry: Entry): void => void entries.splice(entries.indexOf(entry as never), 1)
  const isAdditive = (event: EventInput): boolean => eventKinds[event.kind as EventKindId].nature === 'additive'

  /** Whether an earlier event has to go first: of its own stream, or of one that it names. */
  const isHeldUp = (entry: Entry): boolean => {
    const named = streamsNamedBy(entry.event)
    return entries.some((other) => {
      if (other.order >= entry.order) return false
      if (other.event.stream.id === entry.event.stream.id) return !(isGivenWayBy(other) && isAdditive(entry.event))
      return named.includes(other.event.stream.id) || (mayWriteInCase(other.event) && isReplacingInCase(entry.event))
    })
  }
  /** One that the server keeps failing at lets additive ones of its stream pass: they do not build on it. */
  const isGivenWayBy = (other: Entry): boolean =>
    (other.state === 'parked' || other.faults >= faultsToPark) && eventKinds[other.event.kind as EventKindId].nature !== 'opening'
  const mayStillCome = (entry: Entry): boolean => {
    const ids = [entry.event.stream.id, ...streamsNamedBy(entry.event)]
    return entries.some((other) => other !== entry && other.state !== 'parked' && ids.includes(other.event.stream.id))
  }

  const settle = (entry: Entry, result: ApiResult<EventAnswer>): void => {
    switch (result.kind) {
      case 'ok':
        taken++
        awayWaits = 0
        awayUntil = 0
        remove(entry)
        deps.taken(entry.event, result.value)
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
        return deps.refused(entry.event, result.problem)
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
      return deps.parked(entry.event)
    }
    waitFor(entry, backOff(entry.faults))
  }

  const start = (entry: Entry & { readonly addedAt: number }): void => {
    entry.state = 'sending'
    const isQueued = entry.isQueued || deps.now() - entry.addedAt > queuedAfterMs
    const event: EventInput = isQueued ? { ...entry.event, queued: true } : entry.event
    void deps
      .send(event)
      .catch((): ApiResult<EventAnswer> => ({ kind: 'offline' }))
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
    add(event, isOld = false) {
      entries.push({
        event,
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
      const entry = entries.find((one) => one.event.id === id)
      if (entry) remove(entry)
      flush()
    },
    unpark(id) {
      const entry = entries.find((one) => one.event.id === id)
      if (!entry || entry.state !== 'parked') return
      entry.state = 'waiting'
      entry.faults = 0
      entry.readyAt = 0
      flush()
    },
  }
}

/** Whether the server may write into a case along with an event of its stay: what replaces something there counts on that. */
function mayWriteInCase(event: EventInput): boolean {
  return eventKinds[event.kind as EventKindId].ofCase !== undefined
}

function isReplacingInCase({ stream, kind }: EventInput): boolean {
  return stream.type === 'case' && eventKinds[kind as EventKindId].nature === 'replacing'
}

/** Whether the server only does not know yet what an event is about: another event on its way may bring it. */
function isNotYet(problem: ProblemDetails): boolean {
  return problem.status === 404 || (problem.errors ?? []).some((one) => one.code === 'not-known')
}
