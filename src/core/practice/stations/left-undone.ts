import type { Plan } from '../../model/plan'
import { hasStepRole, onRoles } from '../../model/step-role'
import type { Step } from '../../model/step'
import type { HeldThing } from '../../model/held-thing'
import type { CriticalError, Station, StationRun } from './station'

/**
 * What went critically wrong by what was not done, where the station requires the step: circulation not looked at before what
 * builds on it, or not after; a head or a pull that nobody took before the work that needs it; a side that nobody read.
 * @param run ended: nothing is left undone while it goes on
 */
export function leftUndone(station: Station, plan: Plan, run: StationRun): readonly CriticalError[] {
  if (run.endedMs === null) return []
  const { steps } = plan.procedure
  const doneMs = new Map<string, number>()
  for (const { stepId, atMs } of run.ticks) doneMs.set(stepId, Math.min(atMs, doneMs.get(stepId) ?? Infinity))
  const required = steps.filter((step) => station.required.includes(step.id))
  const at = (step: Step): number => doneMs.get(step.id) ?? Infinity
  const firstMs = (some: readonly Step[]): number => Math.min(Infinity, ...some.map(at))
  /** Whether a step was left out, or came only after what builds on it. */
  const isMissed = (step: Step): boolean => at(step) === Infinity || firstMs(steps.filter((one) => one.after.includes(step.id))) < at(step)
  const isUnheld = (what: HeldThing): boolean => required.some((step) => takes(step, what) && isLate(step, what))
  const isLate = (step: Step, what: HeldThing): boolean =>
    at(step) === Infinity || firstMs(steps.filter((one) => needsHold(one, step, what, steps))) < at(step)
  const found: CriticalError[] = [
    ...(required.some((step) => hasStepRole(step, 'baseline') && isMissed(step)) ? (['circulation-before'] as const) : []),
    ...(required.some((step) => hasStepRole(step, 'check-after') && at(step) === Infinity) ? (['circulation-after'] as const) : []),
    ...(isUnheld('head') ? (['head-let-go'] as const) : []),
    ...(isUnheld('pull') ? (['pull-let-go'] as const) : []),
    ...(required.some((step) => hasStepRole(step, 'identity') && isMissed(step)) ? (['wrong-side'] as const) : []),
  ]
  return found.filter((id) => station.criticals.includes(id))
}

/** Whether a hold of something begins with a step. */
function takes(step: Step, what: HeldThing): boolean {
  return step.holds?.what === what && step.holds.from === step.id
}

/** Whether a step puts something on while the hold that another begins should last. */
function needsHold(one: Step, holder: Step, what: HeldThing, steps: readonly Step[]): boolean {
  if (one.id === holder.id || holder.holds?.what !== what) return false
  const index = (id: string): number => steps.findIndex((step) => step.id === id)
  const isWithin = index(one.id) > index(holder.id) && index(one.id) <= index(holder.holds.to)
  return isWithin && hasStepRole(one, 'first-layer', 'turns', 'opens', ...onRoles)
}
