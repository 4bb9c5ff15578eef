import { create } from 'zustand'
import type { EventAnswer } from '#contract/api/answers'
import type { EventInput } from '#contract/event'
import type { BodyOf, EventKindId } from '#contract/events/index'
import { paths } from '#contract/api/paths'
import type { PlaceKind, StockAnswer, StockMovement, StockPlace } from '#contract/records/store'
import { callApi, describeNoAnswer, type ApiResult } from './api'
import { makeEvent } from './outbox'

interface StockStore {
  /** Null until they were read. */
  readonly places: readonly StockPlace[] | null
  /** What the place in sight holds; null until it was read. */
  readonly answer: StockAnswer | null
  readonly movements: readonly StockMovement[]
  readonly isOffline: boolean
}

/** Places and what they hold, as the server last said. Stock is never changed without the server: it may be the last one. */
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

/** What was sent and never answered: the server may have it all the same. */
const unanswered = new Map<string, EventInput>()

/** Sends an event of a place. Tried again after no answer it is the same event, so that nothing is taken twice. */
async function sendOnce<Kind extends EventKindId>(
  stream: EventInput['stream'],
  kind: Kind,
  body: BodyOf<Kind>,
): Promise<ApiResult<EventAnswer>> {
  const key = JSON.stringify([stream.id, kind, body])
  const event = unanswered.get(key) ?? makeEvent(stream, kind, body, 0)
  unanswered.set(key, event)
  const result = await callApi<EventAnswer>('POST', paths.events, event)
  if (result.kind === 'ok' || result.kind === 'refused') unanswered.delete(key)
  return result
}

/** Counts, receives, takes or sets aside at a place; what came of it in words, or null when it was done. */
export async function moveStock<Kind extends EventKindId>(placeId: string, kind: Kind, body: BodyOf<Kind>): Promise<string | null> {
  const result = await sendOnce({ type: 'place', id: placeId }, kind, body)
  const failure = describeFailure(result)
  if (failure === null) await loadPlace(placeId)
  return failure
}

/** Opens a place that keeps stock; what stands against it in words, or null when it was done. */
export async function openPlace(id: string, name: string, kind: PlaceKind): Promise<string | null> {
  const result = await sendOnce({ type: 'place', id }, 'place-opened', { name, kind })
  if (result.kind === 'ok') await loadPlaces()
  return describeFailure(result)
}

/** Why a request did nothing, in words; null when it was done. */
export function describeFailure(result: ApiResult<unknown>): string | null {
  if (result.kind === 'ok') return null
  if (result.kind === 'refused') return result.problem.detail
  return `${describeNoAnswer(result)}: nothing was changed. Try again when it is back.`
}
