import type { CaseRecord } from '../records/case'
import type { Recorded, RunRecord } from '../records/run'
import type { EventOf } from './kind'

/** A case with one of its runs changed; a run that it does not have changes nothing. */
export function changeRun(record: CaseRecord, runId: string, change: (run: RunRecord) => RunRecord): CaseRecord {
  return { ...record, runs: record.runs.map((run) => (run.id === runId ? change(run) : run)) }
}

/** A body as a run keeps it: without the run's id, with who and when. */
export function recordedIn<Body extends { readonly runId: string | null }>(event: EventOf<Body>): Omit<Body, 'runId'> & Recorded {
  const { runId, ...facts } = event.body
  return { ...facts, at: event.at, by: event.actorName }
}

/** Entries in the order of their times: offline additions merge by theirs. */
export function byTime<T extends { readonly at: string }>(entries: readonly T[]): readonly T[] {
  return [...entries].sort((a, b) => Date.parse(a.at) - Date.parse(b.at))
}
