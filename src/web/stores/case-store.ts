import { create } from 'zustand'
import { useMemo } from 'react'
import type { CaseAnswer } from '#contract/answers'
import { foldCase, type CaseRecord } from '#contract/case-record'
import { foldEpisode, type EpisodeRecord } from '#contract/episode-record'
import type { EventInput, FoldableEvent } from '#contract/event'
import { eventKinds, type EventKindId } from '#contract/event-kinds'
import { paths } from '#contract/paths'
import { callApi, isSessionOver } from './api'
import { makeEvent, onAcknowledged, sendEvent, useOutbox } from './outbox'
import { setServerClock } from './server-clock'
import { currentDurable, useSession } from './session-store'

type LoadStatus = 'loading' | 'ready' | 'missing' | 'offline'

interface CaseStore {
  readonly caseId: string | null
  readonly episodeId: string | null
  readonly status: LoadStatus
  /** The last that the server said; null for a case that only this device knows so far. */
  readonly base: CaseAnswer | null
}

/** The case in hand, as the server knows it. Screens read it with unsent events folded in, by `useCase`. */
export const useCaseStore = create<CaseStore>(() => ({ caseId: null, episodeId: null, status: 'loading', base: null }))

/** The case in hand with everything typed here folded in. */
export interface OpenCase {
  readonly record: CaseRecord
  readonly episode: EpisodeRecord
}

/** Opens a case: from the server, else from what this device kept of it, else from its unsent events. */
export async function loadCase(caseId: string): Promise<void> {
  if (useCaseStore.getState().caseId !== caseId) useCaseStore.setState({ caseId, episodeId: null, status: 'loading', base: null })
  const result = await callApi<CaseAnswer>('GET', paths.case(caseId))
  if (useCaseStore.getState().caseId !== caseId) return
  if (result.kind === 'ok') return takeAnswer(result.value)
  const isBeingCreated = useOutbox.getState().pending.some((event) => event.stream.id === caseId && event.kind === 'case-opened')
  const isOffline = result.kind === 'offline' || isSessionOver(result.problem)
  const kept = isOffline ? await currentDurable()?.readCase(caseId) : undefined
  if (kept) useCaseStore.setState({ base: kept, episodeId: kept.episode.id, status: 'ready' })
  else useCaseStore.setState({ status: isBeingCreated ? 'ready' : isOffline ? 'offline' : 'missing' })
}

function takeAnswer(answer: CaseAnswer): void {
  setServerClock(answer.now)
  useCaseStore.setState({ base: answer, episodeId: answer.episode.id, status: 'ready' })
  void currentDurable()?.writeCase(answer)
}

/** Writes an event about the case in hand; the stream follows from the kind. */
export function writeEvent(kind: EventKindId, body: object): Promise<void> {
  const { caseId, episodeId, base } = useCaseStore.getState()
  const isCase = eventKinds[kind].stream === 'case'
  const id = isCase ? caseId : episodeId
  if (!id) throw new Error('No case is open')
  const known = isCase ? base?.version : base?.episodeVersion
  const ahead = useOutbox.getState().pending.filter((event) => event.stream.id === id).length
  return sendEvent(makeEvent({ type: isCase ? 'case' : 'episode', id }, kind, body, (known ?? 0) + ahead))
}

/** Marks the case that is about to be created on this device as the one in hand. */
export function holdNewCase(caseId: string, episodeId: string): void {
  useCaseStore.setState({ caseId, episodeId, status: 'ready', base: null })
}

onAcknowledged((event, answer) => {
  const { base, caseId, episodeId } = useCaseStore.getState()
  if (event.stream.id !== caseId && event.stream.id !== episodeId) return
  if (!base) {
    if (event.stream.id === caseId && caseId) void loadCase(caseId)
    return
  }
  const isCase = event.stream.id === caseId
  const known = isCase ? base.version : base.episodeVersion
  if (answer.version !== known + 1) {
    if (answer.version > known && caseId) void loadCase(caseId)
    return
  }
  const folded = asFoldable(event)
  takeAnswer({
    ...base,
    now: answer.receivedAt,
    ...(isCase
      ? { record: foldCase(base.record, event.stream.id, folded), version: answer.version }
      : { episode: foldEpisode(base.episode, event.stream.id, folded), episodeVersion: answer.version }),
  })
})

/** The case in hand with unsent events folded in, or null while it is not there. */
export function useCase(): OpenCase | null {
  const { base, caseId, episodeId } = useCaseStore()
  const pending = useOutbox((store) => store.pending)
  return useMemo(() => foldPending(base, caseId, episodeId, pending), [base, caseId, episodeId, pending])
}

/** The case in hand; for screens below the case's own gate. */
export function useOpenCase(): OpenCase {
  const open = useCase()
  if (!open) throw new Error('This screen needs an open case')
  return open
}

function foldPending(
  base: CaseAnswer | null,
  caseId: string | null,
  episodeId: string | null,
  pending: readonly EventInput[],
): OpenCase | null {
  let record = base?.record ?? null
  let episode = base?.episode ?? null
  for (const event of pending) {
    if (event.stream.id === caseId && (record || event.kind === 'case-opened'))
      record = foldCase(record, event.stream.id, asFoldable(event))
    if (event.stream.id === episodeId && (episode || event.kind === 'episode-opened'))
      episode = foldEpisode(episode, event.stream.id, asFoldable(event))
  }
  return record && episode ? { record, episode } : null
}

function asFoldable(event: EventInput): FoldableEvent {
  const { state } = useSession.getState()
  const person = state.status === 'signed-in' ? state.person : null
  return { ...event, actor: person?.id ?? '', actorName: person?.name ?? '' }
}
