import { liveTimers, outcomesOf, type RunRecord, type TimerKind } from '../records/run'
import type { CaseRecord } from '../records/case'
import { isOpeningRun } from './opening-run'

/** A run whose steps are not all done, as others see it. */
export interface RunInHand {
  /** What is being done. */
  readonly what: string
  readonly by: string
  readonly done: number
  readonly of: number
}

/** A timer of a case, as others see it. */
export interface TimerInHand {
  readonly label: string
  readonly kind: TimerKind
  /** ISO 8601 UTC */
  readonly endsAt: string
}

/** A run that nobody has touched for so long is not in hand any more. */
const forgottenMs = 12 * 3_600_000

/** The run that somebody is in the middle of; null where there is none. */
export function runInHand(record: CaseRecord, nowMs: number): RunInHand | null {
  const run = record.runs.at(-1)
  if (!run || record.ended || record.removedAt !== null) return null
  // Once it is on, its application is over, whatever was passed by.
  const isApplication = !run.isAdjustment && !run.care && !isOpeningRun(run)
  if (isApplication && record.appliedAt !== null) return null
  const plan = run.isAdjustment || isOpeningRun(run) ? run.plan : (record.accepted?.plan ?? run.plan)
  const steps = plan?.procedure.steps.filter((step) => !step.optional) ?? []
  const outcomes = outcomesOf(run)
  const done = steps.filter((step) => outcomes.has(step.id)).length
  const touchedMs = Date.parse(run.steps.at(-1)?.at ?? run.startedAt)
  if (steps.length === 0 || done === steps.length || nowMs - touchedMs > forgottenMs) return null
  return { what: whatOf(run), by: run.driver?.by ?? run.by, done, of: steps.length }
}

/** Timers that run for a case, the one that ends first first; curing is told by how long it stays wet. */
export function timersInHand(record: CaseRecord, nowMs: number): readonly TimerInHand[] {
  if (record.ended || record.removedAt !== null) return []
  return record.runs
    .flatMap((run) => liveTimers(run, nowMs))
    .filter((timer) => timer.kind !== 'cure')
    .map(({ label, kind, startedAt, minutes }) => ({
      label,
      kind: kind ?? 'set',
      endsAt: new Date(Date.parse(startedAt) + minutes * 60_000).toISOString(),
    }))
    .sort((a, b) => Date.parse(a.endsAt) - Date.parse(b.endsAt))
}

function whatOf(run: RunRecord): string {
  if (isOpeningRun(run)) return 'Opening the cast'
  if (run.care) return 'Care'
  return run.isAdjustment ? 'Adjusting' : 'Applying'
}
