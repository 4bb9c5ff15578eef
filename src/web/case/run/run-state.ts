import type { HandGrip, Step } from '#core/model/step'
import { mustsOfStep, openSteps } from '#core/runs/check-order'
import type { CrewMember } from '#contract/records/case'
import { outcomesOf, type RunRecord } from '#contract/records/run'

/**
 * The step to do now: the one that was chosen, else the first one that is neither done nor skipped; null when the run
 * is finished.
 */
export function currentStep(steps: readonly Step[], run: RunRecord, chosenId: string = ''): Step | null {
  const outcomes = outcomesOf(run)
  const chosen = steps.find((step) => step.id === chosenId)
  return chosen ?? steps.find((step) => !outcomes.has(step.id)) ?? null
}

/** The step that going back returns to: the last one that was done or skipped and not taken back. */
export function previousStep(steps: readonly Step[], run: RunRecord): Step | null {
  const outcomes = outcomesOf(run)
  const last = run.steps.findLast((entry) => entry.outcome !== 'undone' && outcomes.has(entry.stepId))
  return steps.find((step) => step.id === last?.stepId) ?? null
}

/** Other steps that may be done now as well: all that must come before them is done or passed by. */
export function alsoOpen(steps: readonly Step[], run: RunRecord, current: Step | null): readonly Step[] {
  return openSteps(steps, [...outcomesOf(run).keys()]).filter((step) => step.id !== current?.id)
}

/** What must come before a step and is still open, with what comes of it. */
export function openBefore(steps: readonly Step[], run: RunRecord, step: Step): readonly { readonly step: Step; readonly harm: string }[] {
  const outcomes = outcomesOf(run)
  return mustsOfStep(step, steps).flatMap(({ before, harm }) => {
    const open = steps.find((other) => other.id === before && !other.optional && !outcomes.has(other.id))
    return open ? [{ step: open, harm }] : []
  })
}

/** Who has their hands at a place, or null when nobody was named. */
export function nameAt(crew: readonly CrewMember[] | undefined, place: HandGrip): string | null {
  return crew?.find((member) => member.place === place)?.name ?? null
}
