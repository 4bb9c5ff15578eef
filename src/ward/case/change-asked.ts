import type { CaseRecord } from '#contract/records/case'
import { outcomesOf } from '#contract/records/run'
import { countingRuns, kindOfRun } from '#contract/records/run-kind'
import { hasRight, type Role } from '#contract/rights'

// What a new device does to the one that it replaces.

/** Whether its own application was walked to its end under an accepted plan: then a clinician has said that the old one goes. */
function isAppliedWholeByPlan(record: Pick<CaseRecord, 'accepted' | 'runs'>): boolean {
  const steps = record.accepted?.plan.procedure.steps.filter((step) => !step.optional) ?? []
  if (steps.length === 0) return false
  return countingRuns(record).some((run) => {
    const outcomes = outcomesOf(run)
    return kindOfRun(run) === 'application' && run.withoutPlan === undefined && steps.every((step) => outcomes.has(step.id))
  })
}

/**
 * Whether the old device counts as off when the new one is said to be on: somebody may decide that, or the run of an accepted plan came to its
 * end. Otherwise the old one stays on, and it is asked about.
 * @param record of the new device, with what was just said of it
 */
export function mayEndReplaced(record: Pick<CaseRecord, 'accepted' | 'runs'>, roles: readonly Role[]): boolean {
  return hasRight(roles, 'decide') || isAppliedWholeByPlan(record)
}

/** Whether it has to be asked if an old device is off: a new one went on in its place, and nobody who may say so has said it. */
export function isChangeAsked({
  appliedAt,
  offAt,
  replacementAt,
}: {
  appliedAt: string | null
  offAt: string | null
  replacementAt: string | null
}): boolean {
  return replacementAt !== null && appliedAt !== null && offAt === null
}
