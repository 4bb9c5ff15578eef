import { create } from 'zustand'
import type { EventInput } from '#contract/event'
import type { BodyOf, EventKindId } from '#contract/events/index'
import { paths } from '#contract/api/paths'
import type { PlaceKind, StockAnswer, StockMovement, StockPlace } from '#contract/records/store'
import { callApi, describeNoAnswer, type ApiResult } from './api'
import { makeEvent, onTaken, sendAndHear, useOutbox } from './outbox'

interface StockStore {
  /** Null until they were read. */
  readonly places: readonly StockPlace[] | null
  /** What the place in sight holds; null until it was read. */
  readonly answer: StockAnswer | null
  readonly movements: readonly StockMovement[]
  readonly isOffline: boolean
}

/** Places and what they hold, as the server last said: what waits here changes none of it, since somebody else may have taken the last one. */
export const useStock = create<StockStore>(() => ({ places: null, answer: null, movements: [], isOffline: false }))

/** Reads the places. */
export async function loadPlaces(): Promise<readonly StockPlace[]> {
  const result = await callApi<{ places: StockPlace[] }>('GET', paths.places)
  useStock.setState(result.kind === 'ok' ? { places: result.value.places, isOffline: false } : { isOffline: true })
  return result.kind === 'ok' ? result.value.places : []
}

/** How many times a place was asked for: of two that are on their way, the later one is in sight. */
let asked = 0

/** Reads what a place holds, and its latest movements. */
export async function loadPlace(placeId: string): Promise<StockAnswer | null> {
  const turn = ++asked
  const [answer, moved] = await Promise.all([
    callApi<StockAnswer>('GET', paths.place(placeId)),
    callApi<{ movements: StockMovement[] }>('GET', paths.placeMovements(placeId)),
  ])
  // Another place was asked for meanwhile, or this one again: what comes late tells how it was before.
  if (turn < asked) return answer.kind === 'ok' ? answer.value : null
  if (answer.kind !== 'ok') {
    useStock.setState({ isOffline: true })
    return null
  }
  useStock.setState({ answer: answer.value, movements: moved.kind === 'ok' ? moved.value.movements : [], isOffline: false })
  return answer.value
}

/** What came of a change to stock: done; kept on this device and sent when the line is back; or refused. The last two say so in words. */
export type StockOutcome = { readonly kind: 'done' } | { readonly kind: 'kept' | 'refused'; readonly words: string }

/**
 * Counts, receives, takes or sets aside at a place, or keeps that here until the server answers. While the same one waits, pressing again sends nothing more, so that
 * nothing is taken twice.
 */
export async function moveStock<Kind extends EventKindId>(placeId: string, kind: Kind, body: BodyOf<Kind>): Promise<StockOutcome> {
  const isSame = (input: EventInput): boolean =>
    input.stream.id === placeId && input.kind === kind && JSON.stringify(input.body) === JSON.stringify(body)
  if (useOutbox.getState().pending.some(isSame)) return kept
  const heard = await sendAndHear(makeEvent({ type: 'place', id: placeId }, kind, body, 0), () => true)
  if (heard.kind === 'refused') return { kind: 'refused', words: heard.problem.detail }
  return heard.kind === 'waiting' ? kept : { kind: 'done' }
}

const kept: StockOutcome = { kind: 'kept', words: 'No answer yet: this is kept on this device and sent when the server answers.' }

/** Opens a place that keeps stock. */
export function openPlace(id: string, name: string, kind: PlaceKind): Promise<StockOutcome> {
  return moveStock(id, 'place-opened', { name, kind })
}

// What the server has taken, at once or much later, shows where the place is in sight.
onTaken(({ stream, kind }) => {
  if (kind === 'place-opened') void loadPlaces()
  else if (stream.type === 'place' && useStock.getState().answer?.place.id === stream.id) void loadPlace(stream.id)
})

/** What did not come about at once, in words; null when it did. */
export function wordsOf(outcome: StockOutcome): string | null {
  return outcome.kind === 'done' ? null : outcome.words
}

/** Why a request did nothing, in words; null when it was done. */
export function describeFailure(result: ApiResult<unknown>): string | null {
  if (result.kind === 'ok') return null
  if (result.kind === 'refused') return result.problem.detail
  return `${describeNoAnswer(result)}: nothing was changed. Try again when it is back.`
}
