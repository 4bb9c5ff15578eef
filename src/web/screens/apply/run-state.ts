import type { Step } from '#core/plan/plan'
import type { RunRecord, StepOutcome } from '#contract/run-record'

/** How each step of a run stands: the last thing recorded of it. */
export function outcomesOf(run: RunRecord): ReadonlyMap<string, StepOutcome> {
  const outcomes = new Map<string, StepOutcome>()
  for (const { stepId, outcome } of run.steps) {
    if (outcome === 'undone') outcomes.delete(stepId)
    else outcomes.set(stepId, outcome)
  }
  return outcomes
}

/** The step to do now: the first one that is neither done nor skipped; null when the run is finished. */
export function currentStep(steps: readonly Step[], run: RunRecord): Step | null {
  const outcomes = outcomesOf(run)
  return steps.find((step) => !outcomes.has(step.id)) ?? null
}

/** The step that going back returns to: the last one in the order that is done or skipped. */
export function previousStep(steps: readonly Step[], run: RunRecord): Step | null {
  const outcomes = outcomesOf(run)
  const current = currentStep(steps, run)
  const before = current ? steps.slice(0, steps.indexOf(current)) : steps
  return before.findLast((step) => outcomes.has(step.id)) ?? null
}
