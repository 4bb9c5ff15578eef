import type { Plan } from '../model/plan'
import type { Step } from '../model/step'
import { hasStepRole } from '../model/step-role'
import type { PlanChanges } from '../planner/compare-plans'

/**
 * What is to be done to a device that is on after a change of its plan was taken: say what changes, do the steps that are new or say
 * something else, and check after it.
 * @param before what is on
 * @param after what was taken
 */
export function adjustmentPlan(before: Plan, after: Plan, changes: PlanChanges): Plan {
  const texts = new Set([...changes.stepsNew, ...changes.stepsReworded.map((one) => one.after)])
  const steps = after.procedure.steps.filter((step) => texts.has(step.text) && !isLook(step))
  const figures = changes.decisions.map((decision) => `${decision.label} ${decision.before ?? 'none'} → ${decision.after ?? 'none'}`)
  const closing = after.procedure.steps.find(isLook) ?? before.procedure.steps.find(isLook)
  const opening: Step = {
    id: 'say-change',
    text: `Read aloud what changes on the device that is on: ${[...figures, ...changes.cautionsNew].join('; ') || 'its steps'}.`,
    why: 'Everybody at the bed changes the same thing.',
    prevents: 'A device that is half the old plan and half the new one.',
    after: [],
    hands: ['apply'],
    roles: [],
    holds: null,
    minutes: [1, 1, 2],
    wet: false,
    confirm: 'Read aloud',
    cautions: [],
    where: [],
  }
  const kept = steps.map((step) => ({ ...step, after: ['say-change'], holds: null }))
  const last = closing ? [{ ...closing, after: [opening.id, ...kept.map((step) => step.id)] }] : []
  return { ...after, procedure: { steps: [opening, ...kept, ...last] } }
}

/** Whether a step is the look at what is on, with which a change closes. */
function isLook(step: Step): boolean {
  return hasStepRole(step, 'check-after')
}
