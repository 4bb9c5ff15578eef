import type { Caution } from '../model/plan'
import type { Step } from '../model/step'
import { hasStepRole } from '../model/step-role'

/** Heat, the open gap, and what presses or drags skin go on biting while the device is worn. */
const lasting: readonly string[] = [
  'burn',
  'hot-skin',
  'warm-water',
  'no-room',
  'open-wider',
  'no-slab-width',
  'bandage-pressure',
  'skin-shear',
  'fragile-skin',
  'top-edge',
  'toe-margin',
  'liner-margin',
  'pad-overlap',
]

/**
 * Whether a caution stands on once the device is on (TURNS 4): what names no step is about the whole, what names a look goes on with the
 * looks, and heat, gap and skin stay. The rest is about putting it on, and is over.
 * @param steps of the plan in force
 */
export function outlastsApplication(caution: Pick<Caution, 'code' | 'steps'>, steps: readonly Step[]): boolean {
  const isLook = (id: string): boolean => steps.some((step) => step.id === id && hasStepRole(step, 'check-after'))
  return caution.steps.length === 0 || caution.steps.some(isLook) || lasting.includes(caution.code)
}
