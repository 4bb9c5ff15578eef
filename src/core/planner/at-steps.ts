import type { Caution } from '../model/plan'
import type { Step } from '../model/step'
import { hasStepRole, type StepRole } from '../model/step-role'

/** A caution that may still say by roles at which steps it bites. */
export type RoledCaution = Caution & { readonly at?: readonly StepRole[] }

/**
 * A caution at the steps of a plan: those that it names and those that have one of its roles, in the order of the procedure. Rules belong
 * to what is put on, so they may name a step that this way of doing it has not.
 */
export function atSteps({ at = [], ...caution }: RoledCaution, steps: readonly Step[]): Caution {
  const found = steps.filter((step) => caution.steps.includes(step.id) || hasStepRole(step, ...at))
  return { ...caution, steps: found.map((step) => step.id) }
}
