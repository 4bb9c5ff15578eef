import type { Caution } from '../model/plan'
import type { Step } from '../model/step'
import type { StepRole } from '../model/step-role'

/** A caution that may still say by roles at which steps it bites. */
export type RoledCaution = Caution & { readonly at?: readonly StepRole[] }

/**
 * A caution at the steps of a plan: those that it names and those that have one of its roles, in the order of the procedure. Rules belong
 * to what is put on, so they may name a step that this way of doing it has not.
 */
export function atSteps(roled: RoledCaution, steps: readonly Step[]): Caution {
  const { at, steps: named } = roled
  const found: string[] = []
  // Most cautions are about the whole and name no step: nothing is looked for then.
  if (named.length > 0 || (at && at.length > 0))
    for (const { id, roles } of steps) if (named.includes(id) || at?.some((role) => roles.includes(role))) found.push(id)
  if (at === undefined) return { ...roled, steps: found }
  const { at: _, ...caution } = roled
  return { ...caution, steps: found }
}
