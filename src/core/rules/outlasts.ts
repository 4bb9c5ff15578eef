import type { Caution } from '../model/plan'
import type { Step } from '../model/step'
import { hasStepRole } from '../model/step-role'

/**
 * Whether a caution stands on once the device is on: what names no step is about the whole, what names a look goes on with the
 * looks, and what says so of itself stays. The rest is about putting it on, and is over.
 * @param steps of the plan in force
 */
export function outlastsApplication(caution: Pick<Caution, 'lasts' | 'steps'>, steps: readonly Step[]): boolean {
  const isLook = (id: string): boolean => steps.some((step) => step.id === id && hasStepRole(step, 'check-after'))
  return caution.steps.length === 0 || caution.steps.some(isLook) || caution.lasts === true
}
