import { hasStepRole, rolesIn, type StepRole } from '#core/model/step-role'
import { findTechnique } from '#core/techniques/registry'
import type { CaseRecord } from '#contract/records/case'
import { outcomesOf, type RunRecord, type StepRecord } from '#contract/records/run'
import { keptPlanOf } from './work-in-hand'

type OfCase = Pick<CaseRecord, 'technique' | 'accepted'>

/** Entries of a run that say done of a step with one of some roles, in the order they were made, those taken back included. */
export function everDoneWithRole(record: OfCase, run: RunRecord, ...roles: readonly StepRole[]): readonly StepRecord[] {
  const table = findTechnique(run.technique ?? record.technique)?.roles ?? {}
  // A plan of its own has steps that the technique's table does not: it says their roles itself.
  const own = new Map((keptPlanOf(record, run)?.procedure.steps ?? []).map((step) => [step.id, step.roles]))
  return run.steps.filter(
    ({ stepId, outcome }) => outcome === 'done' && hasStepRole({ roles: own.get(stepId) ?? rolesIn(table, stepId) ?? [] }, ...roles),
  )
}

/** Of those, the entries that nobody took back: what was done, as the run stands. */
export function doneWithRole(record: OfCase, run: RunRecord, ...roles: readonly StepRole[]): readonly StepRecord[] {
  const outcomes = outcomesOf(run)
  return everDoneWithRole(record, run, ...roles).filter(({ stepId }) => outcomes.get(stepId) === 'done')
}

/** Whether name and side were read aloud in any run of a case: from then on they change only through their own dialog. */
export function isIdentityRead(record: CaseRecord): boolean {
  return record.runs.some((run) => everDoneWithRole(record, run, 'identity').length > 0)
}
