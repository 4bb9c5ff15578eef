import { create } from 'zustand'
import { liveTimers, type TimerRecord } from '#contract/records/run'
import { patientLabel } from '#contract/records/episode'
import type { OpenCase } from '../sync/case-store'
import type { CaseTimers } from '../sync/durable'
import { makeEvent, sendEvent } from '../sync/outbox'
import { serverNow } from '../sync/server-clock'
import { readTimers } from '../sync/device'
import { currentDurable } from '../sync/session-store'

interface TimerStore {
  readonly byCase: Readonly<Record<string, CaseTimers>>
  /** None of them is heard. */
  readonly isMuted: boolean
  /** Timers that a larger clock on the page shows, and by which they are heard: the row on top leaves them to it. */
  readonly elsewhere: readonly string[]
}

/** The running timers of every case that this device has worked on. */
export const useTimers = create<TimerStore>(() => ({ byCase: {}, isMuted: false, elsewhere: [] }))

export interface ShownTimer {
  readonly caseId: string
  readonly runId: string
  readonly patient: string
  /** Bed or bay; empty where this device does not know it. */
  readonly place: string
  readonly timer: TimerRecord
  readonly endsAt: number
}

/** Reads the timers that an earlier page kept, also before anybody has signed in. */
export async function resumeTimers(): Promise<void> {
  const durable = currentDurable()
  const nameless = async (): Promise<readonly CaseTimers[]> => (await readTimers()).map((timer) => ({ ...timer, patient: '' }))
  const kept = await (durable?.readTimers() ?? nameless()).catch(() => [])
  useTimers.setState((state) => ({ byCase: { ...Object.fromEntries(kept.map((one) => [one.caseId, one])), ...state.byCase } }))
}

/** Takes over the timers of the case in hand, as its runs tell them. */
export function keepTimers({ record, episode }: OpenCase): void {
  const run = record.runs.at(-1)
  if (!run) return
  const entry: CaseTimers = {
    caseId: record.id,
    runId: run.id,
    patient: patientLabel(episode),
    place: episode.place,
    timers: record.removedAt ? [] : record.runs.flatMap((one) => liveTimers(one, serverNow())),
  }
  const before = useTimers.getState().byCase[record.id]
  if (!before && entry.timers.length === 0) return
  if (before && JSON.stringify(before) === JSON.stringify(entry)) return
  useTimers.setState((state) => ({ byCase: { ...state.byCase, [record.id]: entry } }))
  void currentDurable()?.writeTimers(entry)
}

/**
 * Timers that still say something, the one that ends first first; of other cases than the one in hand only those that end
 * within hours: a day of curing is nobody's business elsewhere.
 */
export function listTimers(byCase: TimerStore['byCase'], nowMs: number, heldCase: string | null): readonly ShownTimer[] {
  return Object.values(byCase)
    .flatMap(({ caseId, runId, patient, place = '', timers }) =>
      timers.map((timer) => ({ caseId, runId, patient, place, timer, endsAt: Date.parse(timer.startedAt) + timer.minutes * 60_000 })),
    )
    .filter((one) => one.endsAt + keptAfterMs > nowMs && (one.caseId === heldCase || one.endsAt - nowMs < nearMs))
    .sort((a, b) => a.endsAt - b.endsAt)
}

const soonMs = 60_000

/** The running clocks by how they are shown in the strip below the header. */
export interface SortedClocks {
  /** Takes the strip: ended and not heard, or another patient's that ends within a minute. The first that ends first. */
  readonly pressing: readonly ShownTimer[]
  /** Of the case in hand, still running. */
  readonly own: readonly ShownTimer[]
  /** Of other patients: one mark that opens a list, whether one of them takes the strip or not. */
  readonly others: readonly ShownTimer[]
}

/** Sorts the clocks that `listTimers` found. @param heldCase the case in hand, or null */
export function sortClocks(shown: readonly ShownTimer[], heldCase: string | null, nowMs: number): SortedClocks {
  const isOwn = (timer: ShownTimer): boolean => timer.caseId === heldCase
  return {
    pressing: shown.filter((timer) => timer.endsAt <= nowMs || (!isOwn(timer) && timer.endsAt - nowMs < soonMs)),
    own: shown.filter((timer) => isOwn(timer) && timer.endsAt > nowMs),
    others: shown.filter((timer) => !isOwn(timer)),
  }
}

const keptAfterMs = 10 * 60_000
const nearMs = 3 * 3_600_000

/** A timer among all: a later run may start one of the same name. */
export function timerKey(caseId: string, { id, startedAt }: Pick<TimerRecord, 'id' | 'startedAt'>): string {
  return `${caseId} ${id} ${startedAt}`
}

/** Says which timers a larger clock shows, by their keys; returns how it shows them no more. */
export function showElsewhere(keys: readonly string[]): () => void {
  useTimers.setState({ elsewhere: keys })
  return () => useTimers.setState({ elsewhere: [] })
}

/** Ends a timer for everybody: heard, or no longer wanted. */
export function endTimer({ caseId, runId, timer }: ShownTimer): void {
  useTimers.setState((state) => {
    const entry = state.byCase[caseId]
    if (!entry) return state
    return { byCase: { ...state.byCase, [caseId]: { ...entry, timers: entry.timers.filter((one) => one.id !== timer.id) } } }
  })
  void sendEvent(makeEvent({ type: 'case', id: caseId }, 'timer-ended', { runId, timerId: timer.id }, 0))
}
