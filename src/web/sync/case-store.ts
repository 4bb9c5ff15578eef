import { create } from 'zustand'
import { useSyncExternalStore } from 'react'
import type { CaseAnswer, EventAnswer } from '#contract/api/answers'
import type { EventInput } from '#contract/event'
import { foldCase } from '#contract/events/fold'
import { eventKinds, findEventKind, type BodyOf, type EventKindId } from '#contract/events/index'
import type { SayWhy } from '#contract/api/looks-in'
import { paths } from '#contract/api/paths'
import type { ProblemDetails } from '#contract/api/problem-details'
import { createFolder, isWithin, mergeAnswers, type Folded, type TakenEvent } from './fold-waiting'
import { makeEvent, onTaken, sendAndHear, sendEvent, useOutbox, type Outcome } from './outbox'
import { callApi, describeNoAnswer, isSessionOver } from './api'
import type { PatientGone } from './device'
import { isHandedOverAnswer, notePatientBegun, notePatientGone } from './patients-here'
import { setServerClock } from './server-clock'
import { currentDurable, useSession } from './session-store'

type LoadStatus = 'loading' | 'ready' | 'missing' | 'offline' | 'say-why' | 'gone'

interface CaseStore {
  readonly caseId: string | null
  readonly episodeId: string | null
  readonly status: LoadStatus
  /** What is said to whoever has to say why before it opens, and the stay that the reason is of; null otherwise. */
  readonly asked: { readonly episodeId: string; readonly words: string } | null
  /** Where a case went that was begun on this device and was handed over; null otherwise. */
  readonly gone: PatientGone | null
  /** The last that the server said; null for a case that only this device knows so far. */
  readonly base: CaseAnswer | null
  /** What the server has taken and `base` does not contain yet: it stays folded in until it does. */
  readonly taken: readonly TakenEvent[]
  /** What opens a case in which nothing was entered yet: it goes with the first entry, and without one nowhere. */
  readonly opening: readonly EventInput[]
}

/** The case in hand, as the server knows it. Screens read it with unsent events folded in, by `useCase`. */
export const useCaseStore = create<CaseStore>(() => ({
  caseId: null,
  episodeId: null,
  status: 'loading',
  asked: null,
  gone: null,
  base: null,
  taken: [],
  opening: [],
}))

/** The case in hand with everything typed here folded in. */
export type OpenCase = Folded

const folder = createFolder()

/** Opens a case: from the server, else from what this device kept of it, else from its unsent events. */
export async function loadCase(caseId: string): Promise<void> {
  // Nobody else knows it yet.
  if (useCaseStore.getState().caseId === caseId && useCaseStore.getState().opening.length > 0) return
  if (useCaseStore.getState().caseId !== caseId)
    useCaseStore.setState({ caseId, episodeId: null, status: 'loading', asked: null, gone: null, base: null, taken: [], opening: [] })
  const result = await callApi<CaseAnswer>('GET', paths.case(caseId))
  if (useCaseStore.getState().caseId !== caseId) return
  if (result.kind === 'ok') return takeAnswer(result.value)
  if (result.kind === 'refused' && result.problem.type === 'urn:zesty-wren:error:say-why') {
    const { episodeId } = result.problem.current as SayWhy
    return useCaseStore.setState({ status: 'say-why', asked: { episodeId, words: result.problem.detail } })
  }
  if (result.kind === 'refused' && isHandedOverAnswer(result.problem)) {
    notePatientGone(caseId, result.problem.current)
    void currentDurable()?.dropCase(caseId)
    // Both sides have said so: it leaves the page that shows it too.
    return useCaseStore.setState({ status: 'gone', gone: result.problem.current, base: null, taken: [] })
  }
  const begunIn = await stayBegunHere(caseId)
  const isAway = result.kind !== 'refused' || isSessionOver(result.problem)
  const kept = isAway ? await currentDurable()?.readCase(caseId) : undefined
  if (useCaseStore.getState().caseId !== caseId) return
  if (kept) useCaseStore.setState(({ base }) => ({ base: base ?? kept, episodeId: kept.episode.id, status: 'ready' }))
  // A case that is open already stays in sight, whatever the server says now.
  else if (!useCaseStore.getState().base)
    useCaseStore.setState(begunIn === null ? { status: isAway ? 'offline' : 'missing' } : { status: 'ready', episodeId: begunIn })
}

/** Says why somebody from outside the care team opens the case, and opens it; null, or why it did not. */
export async function sayWhy(caseId: string, reason: string): Promise<string | null> {
  const { asked } = useCaseStore.getState()
  if (!asked) return null
  const told = makeEvent({ type: 'episode', id: asked.episodeId }, 'looked-in', { reason }, 0)
  const result = await callApi<EventAnswer>('POST', paths.events, told)
  if (result.kind === 'refused') return result.problem.detail
  if (result.kind !== 'ok') return `${describeNoAnswer(result)}: the record opens once the reason has arrived. Try again.`
  await loadCase(caseId)
  return null
}

/** The stay of a case that was begun here and that the server has yet to get, also by an earlier page; null for any other. */
async function stayBegunHere(caseId: string): Promise<string | null> {
  const isBegun = (event: EventInput): boolean => event.stream.id === caseId && event.kind === 'case-opened'
  const opening = useOutbox.getState().pending.find(isBegun) ?? (await currentDurable()?.readOutbox())?.find(isBegun)
  return opening ? (opening.body as BodyOf<'case-opened'>).episodeId : null
}

/** Takes what the server said: never a step back from what it had said before, however late an answer arrives. */
function takeAnswer(answer: CaseAnswer): void {
  setServerClock(answer.now)
  useCaseStore.setState(({ base, taken }) => {
    const merged = base?.record.id === answer.record.id ? mergeAnswers(base, answer) : answer
    void currentDurable()?.writeCase(merged)
    return {
      base: merged,
      episodeId: merged.episode.id,
      status: 'ready',
      asked: null,
      taken: taken.filter((one) => !isWithin(one, merged)),
    }
  })
}

/**
 * Writes an event about the case in hand; the stream follows from the kind.
 * @param minutesAgo when it happened, where it is entered later
 */
export function writeEvent<Kind extends EventKindId>(kind: Kind, body: BodyOf<Kind>, minutesAgo = 0): Promise<void> {
  const event = nextEvent(kind, body)
  return sendEvent(minutesAgo === 0 ? event : { ...event, at: new Date(Date.parse(event.at) - minutesAgo * 60_000).toISOString() })
}

/** Writes an event about the case in hand and waits a few seconds for what comes of it. */
export function writeAndHear<Kind extends EventKindId>(
  kind: Kind,
  body: BodyOf<Kind>,
  isMine: (problem: ProblemDetails) => boolean,
): Promise<Outcome> {
  // Without a line nothing is heard: nobody waits for it in front of a button.
  return useOutbox.getState().line === 'offline'
    ? sendAndHear(nextEvent(kind, body), isMine, 0)
    : sendAndHear(nextEvent(kind, body), isMine)
}

function nextEvent<Kind extends EventKindId>(kind: Kind, body: BodyOf<Kind>): EventInput {
  const { caseId, episodeId } = useCaseStore.getState()
  const isCase = eventKinds[kind].stream === 'case'
  const id = isCase ? caseId : episodeId
  if (!id) throw new Error('No case is open')
  beginCase()
  return makeEvent({ type: isCase ? 'case' : 'episode', id }, kind, body, nextBase(id))
}

/** The version that the next replacing event of a stream of the case in hand builds on: everything before it counted in. */
export function nextBase(id: string): number {
  const { caseId, episodeId, base, taken } = useCaseStore.getState()
  const known = (id === caseId ? base?.version : base?.episodeVersion) ?? 0
  const reached = Math.max(known, ...taken.filter((one) => one.event.stream.id === id).map((one) => one.version))
  const { pending } = useOutbox.getState()
  const ahead = pending.filter((event) => event.stream.id === id && !base?.contains.includes(event.id)).length
  if (id !== caseId) return reached + ahead
  folder.fold({ base, caseId, episodeId, taken, pending }, writer())
  return reached + ahead + folder.saidOfCase()
}

/**
 * Marks a case that is about to be opened beside the one in hand as the one in hand: the stay is known already, so that it opens without a
 * line too.
 */
export function holdCaseOfStay(opening: EventInput): void {
  const { base, episodeId } = useCaseStore.getState()
  if (!base) throw new Error('The stay is not known here')
  const caseId = opening.stream.id
  const held: CaseAnswer = { ...base, record: foldCase(null, caseId, { ...opening, ...writer() }), version: 0 }
  void currentDurable()?.writeCase(held)
  useCaseStore.setState({ caseId, episodeId, status: 'ready', base: held, taken: [], opening: [] })
}

/**
 * Marks a case that begins on this device as the one in hand. What opens it is sent with the first entry: one that was only looked at is
 * never anywhere.
 */
export function holdNewCase(caseId: string, episodeId: string, opening: readonly EventInput[]): void {
  useCaseStore.setState({ caseId, episodeId, status: 'ready', base: null, taken: [], opening })
}

/** Sends what opens the case in hand, where that waits for the first entry. */
export function beginCase(): void {
  const { opening, caseId, episodeId } = useCaseStore.getState()
  if (opening.length === 0) return
  const { state } = useSession.getState()
  if (caseId && episodeId && state.status === 'signed-in') notePatientBegun(caseId, episodeId, state.person)
  useCaseStore.setState({ opening: [] })
  for (const event of opening) void sendEvent(event)
}

onTaken((event: EventInput, answer: EventAnswer) => {
  const { base, caseId, episodeId } = useCaseStore.getState()
  const isCase = event.stream.id === caseId
  if (!caseId || (!isCase && event.stream.id !== episodeId)) return
  const one: TakenEvent = { event, version: answer.version }
  if (base && isWithin(one, base)) return
  useCaseStore.setState(({ taken }) => ({ taken: [...taken, one] }))
  const known = isCase ? base?.version : base?.episodeVersion
  const isNext = known !== undefined && answer.version === known + 1 && !answer.mark
  if (!base || !isNext || findEventKind(event.kind)?.isCompletedByServer) return void loadCase(caseId)
  const folded = folder.afterFirst(event.id) ?? folder.fold({ base, caseId, episodeId, taken: [one], pending: [] }, writer())
  const { record, episode } = folded ?? base
  takeAnswer({
    ...base,
    record,
    episode,
    contains: [...base.contains, event.id],
    now: answer.receivedAt,
    ...(isCase ? { version: answer.version } : { episodeVersion: answer.version }),
  })
})

/** The case in hand with unsent events folded in, or null while it is not there. A screen is drawn anew only where that is another one. */
export function useCase(): OpenCase | null {
  return useSyncExternalStore(onCaseChanged, caseInHand)
}

function onCaseChanged(listener: () => void): () => void {
  const ends = [useCaseStore.subscribe(listener), useOutbox.subscribe(listener)]
  return () => ends.forEach((end) => end())
}

/** What the case in hand was folded from last, and what came of it. */
let last: {
  readonly from: CaseStore
  readonly sent: readonly EventInput[]
  readonly actor: string
  readonly open: OpenCase | null
} | null = null

/** The case in hand with unsent events folded in, for whoever asks once; null while it is not there. */
export function caseInHand(): OpenCase | null {
  const from = useCaseStore.getState()
  const sent = useOutbox.getState().pending
  const by = writer()
  if (last?.from !== from || last.sent !== sent || last.actor !== by.actor) {
    const { base, caseId, episodeId, taken, opening } = from
    const pending = opening.length > 0 ? [...sent, ...opening] : sent
    last = { from, sent, actor: by.actor, open: folder.fold({ base, caseId, episodeId, taken, pending }, by) }
  }
  return last.open
}

/** The case in hand; for screens below the case's own gate. */
export function useOpenCase(): OpenCase {
  const open = useCase()
  if (!open) throw new Error('This screen needs an open case')
  return open
}

function writer(): { readonly actor: string; readonly actorName: string } {
  const { state } = useSession.getState()
  const person = state.status === 'signed-in' ? state.person : null
  return { actor: person?.id ?? '', actorName: person?.name ?? '' }
}

/** Keeps cases on this device as the server knows them, so that they open without a line; one that cannot be read is left as it was. */
export async function keepCases(caseIds: readonly string[]): Promise<void> {
  for (const id of caseIds) {
    const result = await callApi<CaseAnswer>('GET', paths.case(id))
    if (result.kind === 'ok') await currentDurable()?.writeCase(result.value)
    else if (result.kind !== 'refused') return
  }
}
