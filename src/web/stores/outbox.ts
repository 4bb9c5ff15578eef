import { v7 as uuidv7 } from 'uuid'
import { create } from 'zustand'
import type { EventAnswer } from '#contract/answers'
import type { EventInput } from '#contract/event'
import { eventKinds, type EventKindId } from '#contract/event-kinds'
import { paths } from '#contract/paths'
import type { ProblemDetails } from '#contract/problem-details'
import { callApi, isSessionOver } from './api'
import { clockOffsetMs, serverNow } from './server-clock'
import { currentDurable } from './session-store'

export interface RefusedEvent {
  readonly event: EventInput
  readonly problem: ProblemDetails
}

interface OutboxStore {
  readonly pending: readonly EventInput[]
  /** Refused for good: shown with what was typed, until somebody decides. */
  readonly refused: readonly RefusedEvent[]
  readonly isOffline: boolean
}

/** Events on their way to the server, in order, kept on the device until it has acknowledged them. */
export const useOutbox = create<OutboxStore>(() => ({ pending: [], refused: [], isOffline: false }))

type AckListener = (event: EventInput, answer: EventAnswer) => void
const listeners = new Set<AckListener>()
let isFlushing = false
const paintFirstMs = 40
let retryTimer: ReturnType<typeof setTimeout> | undefined

/** Calls back for every event that the server has taken. */
export function onAcknowledged(listener: AckListener): () => void {
  listeners.add(listener)
  return () => listeners.delete(listener)
}

/** Makes an event at the present time. `base` is the stream version that a replacing event was made from. */
export function makeEvent(stream: EventInput['stream'], kind: EventKindId, body: object, base: number): EventInput {
  return {
    id: uuidv7(),
    stream,
    kind,
    v: 1,
    body,
    at: new Date(serverNow()).toISOString(),
    offsetMs: clockOffsetMs(),
    ...(eventKinds[kind].nature === 'replacing' ? { base } : {}),
  }
}

/** Keeps an event on the device, then sends what waits. */
export async function sendEvent(event: EventInput): Promise<void> {
  useOutbox.setState((state) => ({ pending: [...state.pending, event] }))
  await currentDurable()?.addToOutbox(event)
  // While working on a case the screen shows the change first, and sends after the next frames.
  if (event.stream.type === 'case') setTimeout(() => void flushOutbox(), paintFirstMs)
  else void flushOutbox()
}

/** Reads what an earlier page left unsent, and sends it. */
export async function resumeOutbox(): Promise<void> {
  const kept = (await currentDurable()?.readOutbox()) ?? []
  const known = new Set(useOutbox.getState().pending.map((event) => event.id))
  useOutbox.setState((state) => ({ pending: [...kept.filter((event) => !known.has(event.id)), ...state.pending] }))
  void flushOutbox()
}

/** Sends waiting events one after another; stops at the first that finds no connection and tries again. */
export async function flushOutbox(): Promise<void> {
  if (isFlushing) return
  isFlushing = true
  clearTimeout(retryTimer)
  try {
    for (let event = next(); event; event = next()) {
      const result = await callApi<EventAnswer>('POST', paths.events, event)
      if (result.kind === 'offline' || (result.kind === 'refused' && result.problem.status === 429)) {
        useOutbox.setState({ isOffline: true })
        retryTimer = setTimeout(() => void flushOutbox(), 3_000)
        return
      }
      if (result.kind === 'refused' && isSessionOver(result.problem)) return
      // A refused one stays on the device: after a reload it is sent, refused and shown again, until somebody decides.
      if (result.kind === 'ok') await currentDurable()?.dropFromOutbox(event.id)
      // In one turn, so that no screen sees the event gone from here and not yet there.
      if (result.kind === 'ok') for (const listener of listeners) listener(event, result.value)
      settle(event, result.kind === 'refused' ? result.problem : null)
    }
    useOutbox.setState({ isOffline: false })
  } finally {
    isFlushing = false
  }
}

/** Takes a refused event off the list once somebody has decided about it. */
export function dismissRefused(id: string): void {
  void currentDurable()?.dropFromOutbox(id)
  useOutbox.setState((state) => ({ refused: state.refused.filter((one) => one.event.id !== id) }))
}

function next(): EventInput | undefined {
  return useOutbox.getState().pending[0]
}

function settle(event: EventInput, problem: ProblemDetails | null): void {
  useOutbox.setState((state) => ({
    pending: state.pending.filter((one) => one.id !== event.id),
    isOffline: false,
    refused: problem ? [...state.refused, { event, problem }] : state.refused,
  }))
}
