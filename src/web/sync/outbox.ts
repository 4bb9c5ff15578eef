import { v7 as uuidv7 } from 'uuid'
import { create } from 'zustand'
import type { EventAnswer } from '#contract/api/answers'
import type { EventInput } from '#contract/event'
import { eventKinds, type BodyOf, type EventKindId } from '#contract/events/index'
import type { ProblemDetails } from '#contract/api/problem-details'
import { newestVersion } from '#contract/events/upcast'
import { isSessionOver } from './api'
import { clockOffsetMs, serverNow } from './server-clock'
import type { LeftByOther } from './durable'
import { currentDurable } from './session-store'
import { eventLetter, type EventOutcomes } from './event-letter'
import { createSender, type Letter, type LineState } from './sender'

/** An event that waits for a person: refused with its reasons, one that the server keeps failing at, or one that another version left here. */
export type UndecidedEvent =
  | {
      readonly kind: 'of-other-version'
      readonly event: Pick<EventInput, 'id' | 'kind' | 'body'> & Partial<EventInput>
      readonly whose: string
    }
  | { readonly kind: 'refused'; readonly event: EventInput; readonly problem: ProblemDetails }
  | { readonly kind: 'parked'; readonly event: EventInput }

interface OutboxStore {
  /** Everything that the server has not taken, parked ones too, in the order in which it was entered. */
  readonly pending: readonly EventInput[]
  /** Shown with what was typed, until somebody decides. */
  readonly undecided: readonly UndecidedEvent[]
  readonly line: LineState
  /** The server said of itself that it has trouble, though the line to it is there. */
  readonly isServerTroubled: boolean
}

/** Events on their way to the server, kept on the device until it has taken them. */
export const useOutbox = create<OutboxStore>(() => ({ pending: [], undecided: [], line: 'fine', isServerTroubled: false }))

type TakenListener = (event: EventInput, answer: EventAnswer) => void
const listeners = new Set<TakenListener>()
const backListeners = new Set<() => void>()
const paintFirstMs = 40
let wakeTimer: ReturnType<typeof setTimeout> | undefined
/** Who wants to hear first that their event was refused, by its id. */
const claims = new Map<string, (outcome: Outcome) => boolean>()

/** What came of an event: taken, refused, or not known within a few seconds and kept here until it is. */
export type Outcome = { readonly kind: 'taken' | 'waiting' } | { readonly kind: 'refused'; readonly problem: ProblemDetails }

const sender = createSender({
  isSessionOver,
  now: () => performance.now(),
  random: Math.random,
  wakeAfter(ms) {
    clearTimeout(wakeTimer)
    wakeTimer = setTimeout(() => sender.flush(), ms)
  },
  sessionOver: () => undefined,
  lineChanged(line) {
    const isBack = line === 'fine' && useOutbox.getState().line !== 'fine'
    useOutbox.setState({ line })
    if (isBack) tellBack()
  },
})

const outcomes: EventOutcomes = {
  taken(event, answer) {
    void currentDurable()?.dropFromOutbox(event.id)
    claims.get(event.id)?.({ kind: 'taken' })
    // In one turn, so that no screen sees the event gone from here and not yet there.
    for (const listener of listeners) listener(event, answer)
    drop(event.id)
  },
  refused(event, problem) {
    // A refused one stays on the device: after a reload it is sent, refused and shown again, until somebody decides.
    if (claims.get(event.id)?.({ kind: 'refused', problem })) {
      void currentDurable()?.dropFromOutbox(event.id)
      return drop(event.id)
    }
    drop(event.id)
    useOutbox.setState((state) => ({ undecided: [...state.undecided, { kind: 'refused', event, problem }] }))
  },
  parked: (event) => useOutbox.setState((state) => ({ undecided: [...state.undecided, { kind: 'parked', event }] })),
}

/** Calls back for every event that the server has taken. */
export function onTaken(listener: TakenListener): () => void {
  listeners.add(listener)
  return () => listeners.delete(listener)
}

function tellBack(): void {
  for (const listener of backListeners) listener()
}

/** Calls back when the line may be back: the server answers again, hints come again, or the device says so; returns how to stop. */
export function onLineBack(listener: () => void): () => void {
  backListeners.add(listener)
  return () => backListeners.delete(listener)
}

/** Makes an event at the present time. `base` is the stream version that a replacing event was made from. */
export function makeEvent<Kind extends EventKindId>(
  stream: EventInput['stream'],
  kind: Kind,
  body: BodyOf<Kind>,
  base: number,
): EventInput {
  return {
    id: uuidv7(),
    stream,
    kind,
    v: newestVersion(kind),
    body,
    at: new Date(serverNow()).toISOString(),
    offsetMs: clockOffsetMs(),
    ...(eventKinds[kind].nature === 'replacing' ? { base } : {}),
  }
}

/** The same thing said anew: what was refused, on top of what stands now. */
export function remakeEvent({ stream, kind, body }: EventInput, base: number): EventInput {
  return makeEvent(stream, kind as EventKindId, body as BodyOf<EventKindId>, base)
}

/** Keeps an event on the device, then sends what waits. */
export async function sendEvent(event: EventInput): Promise<void> {
  useOutbox.setState((state) => ({ pending: [...state.pending, event] }))
  sender.add(eventLetter(event, outcomes))
  await currentDurable()?.addToOutbox(event)
  // While working on a case the screen shows the change first, and sends after the next frames.
  if (event.stream.type === 'case') setTimeout(() => sender.flush(), paintFirstMs)
  else sender.flush()
}

/**
 * Sends an event and waits a few seconds for what comes of it.
 * @param isMine whether the caller shows this refusal itself; any other goes where refusals are shown
 */
export async function sendAndHear(event: EventInput, isMine: (problem: ProblemDetails) => boolean, patienceMs = 6_000): Promise<Outcome> {
  const outcome = new Promise<Outcome>((resolve) => {
    const timer = setTimeout(() => resolve({ kind: 'waiting' }), patienceMs)
    claims.set(event.id, (heard) => {
      claims.delete(event.id)
      clearTimeout(timer)
      resolve(heard)
      return heard.kind === 'refused' && isMine(heard.problem)
    })
  })
  await sendEvent(event)
  const heard = await outcome
  claims.delete(event.id)
  return heard
}

/** Reads what an earlier page left unsent, and sends it before anything newer. */
export async function resumeOutbox(): Promise<void> {
  const kept = (await currentDurable()?.readOutbox()) ?? []
  const known = new Set(useOutbox.getState().pending.map((event) => event.id))
  const old = kept.filter((event) => !known.has(event.id))
  for (const event of old) sender.add(eventLetter(event, outcomes), true)
  useOutbox.setState((state) => ({ pending: [...old, ...state.pending] }))
  sender.retryNow()
  await showLeftByOthers()
}

/** What another version left unsent is shown, one after another, until somebody has written it down; it is never sent by this one. */
async function showLeftByOthers(): Promise<void> {
  const durable = currentDurable()
  const left = (await durable?.readLeftByOthers().catch(() => [])) ?? []
  const shown = new Set(useOutbox.getState().undecided.map(({ event }) => event.id))
  const fresh = await Promise.all(
    left
      .filter(({ id }) => !shown.has(id))
      .map(async (one) => {
        const whose = 'what' in one ? '' : await durable?.readWhose(one.stream.id).catch(() => '')
        return { kind: 'of-other-version' as const, event: asShown(one), whose: whose ?? '' }
      }),
  )
  useOutbox.setState((state) => ({ undecided: [...state.undecided, ...fresh] }))
}

function asShown(left: LeftByOther): Extract<UndecidedEvent, { kind: 'of-other-version' }>['event'] {
  if (!('what' in left)) return left
  const body = left.what === 'drill' ? { night: left.post.night, seed: left.post.seed } : {}
  return { id: left.id, kind: left.what === 'drill' ? 'night-of-practice' : 'station-run', body }
}

/** What another version left stays on this device for the next time that somebody comes in. */
export function postponeLeft(id: string): void {
  useOutbox.setState((state) => ({ undecided: state.undecided.filter((undecided) => undecided.event.id !== id) }))
}

/** Letters without a screen that the server kept failing at: they go again when the line is back. */
const parkedQuietly = new Set<string>()

/** Sends what is no event, and of which no screen decides; whoever hands it in keeps it on the device until it is taken or refused. */
export function sendLetter(letter: Omit<Letter, 'parked'>): void {
  sender.add({ ...letter, parked: () => void parkedQuietly.add(letter.id) }, true)
  sender.flush()
}

/** The line is back, or somebody has signed in: everything that waits goes now, here and in every other queue. */
export function flushOutbox(): void {
  for (const id of parkedQuietly) sender.unpark(id)
  parkedQuietly.clear()
  sender.retryNow()
  tellBack()
}

/** Takes an undecided event off the list once somebody has decided about it. */
export function dismissUndecided(id: string): void {
  void currentDurable()?.dropFromOutbox(id)
  sender.drop(id)
  drop(id)
  useOutbox.setState((state) => ({ undecided: state.undecided.filter((undecided) => undecided.event.id !== id) }))
}

/** Sends a parked event again. */
export function retryParked(id: string): void {
  useOutbox.setState((state) => ({ undecided: state.undecided.filter((undecided) => undecided.event.id !== id) }))
  sender.unpark(id)
}

function drop(id: string): void {
  useOutbox.setState((state) => ({ pending: state.pending.filter((input) => input.id !== id) }))
}
