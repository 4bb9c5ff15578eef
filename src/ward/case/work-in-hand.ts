import type { RunInHand, TimerInHand } from '#contract/api/board'
import type { Plan } from '#core/model/plan'
import { liveTimers, outcomesOf, type RunRecord } from '#contract/records/run'
import type { CaseRecord } from '#contract/records/case'
import { hasOwnPlan, kindOfRun, type RunKind } from '#contract/records/run-kind'

/** A run that nobody has touched for so long is not in hand any more. */
const forgottenMs = 12 * 3_600_000

/** The run that somebody is in the middle of; null where there is none. */
export function runInHand(record: CaseRecord, nowMs: number): RunInHand | null {
  const run = record.runs.at(-1)
  if (!run || !isInHand(record, run, nowMs)) return null
  const { done, of } = stepsPassed(record, run)
  return { what: whatOf(run), by: run.driver?.by ?? run.by, done, of }
}

/** Whether somebody is in the middle of a run. */
export function isInHand(record: CaseRecord, run: RunRecord, nowMs: number): boolean {
  if (record.ended || record.removedAt !== null) return false
  // Once it is on, its application is over, whatever was passed by.
  if (run.wrongSide) return false
  if (kindOfRun(run) === 'application' && record.appliedAt !== null) return false
  const { done, of } = stepsPassed(record, run)
  const touchedMs = Date.parse(run.steps.at(-1)?.at ?? run.startedAt)
  return of > 0 && done < of && nowMs - touchedMs <= forgottenMs
}

/** The application that somebody else would begin a second time; null where none is open. */
export function openApplication(record: CaseRecord, nowMs: number): RunRecord | null {
  return record.runs.findLast((run) => kindOfRun(run) === 'application' && isInHand(record, run, nowMs)) ?? null
}

/** The plan that a run goes by, as it was kept; undefined where none was. */
export function keptPlanOf(record: Pick<CaseRecord, 'accepted'>, run: RunRecord): Plan | undefined {
  return hasOwnPlan(run) ? run.plan : (record.accepted?.plan ?? run.plan)
}

/** How many of its steps are done, those that may be left out aside. */
function stepsPassed(record: CaseRecord, run: RunRecord): { readonly done: number; readonly of: number } {
  const steps = keptPlanOf(record, run)?.procedure.steps.filter((step) => !step.optional) ?? []
  const outcomes = outcomesOf(run)
  return { done: steps.filter((step) => outcomes.has(step.id)).length, of: steps.length }
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

const whats: Readonly<Record<RunKind, string>> = {
  application: 'Applying',
  opening: 'Opening the cast',
  adjustment: 'Adjusting',
  care: 'Care',
  'taking-off': 'Taking it off',
  again: 'Putting it on again',
}

function whatOf(run: RunRecord): string {
  if (run.isOpenNow) return 'Opening now'
  return whats[kindOfRun(run)]
}
