import type { ClinicalCase } from '../../../model/clinical-case'
import { extraHolder } from '../../shared/extra-holder'
import { refusePosition } from '../../../planner/shared-options'
import type { PlanDraft } from '../../../planner/draft'
import type { OptionValues, TechniqueOption } from '../../../planner/technique'

/** Who keeps the limb at its angle until it is set. */
export const holdOption: TechniqueOption = {
  id: 'hold',
  label: 'Hold',
  default: () => 'helper',
  values: [
    { id: 'helper', label: 'Helper', why: 'A second person keeps the ankle at its angle until it is set.' },
    { id: 'gravity', label: 'Gravity', why: 'Face down or hanging, the limb holds itself when hands are few.' },
  ],
}

/** Whether the position lets the limb hold itself. */
function hangs(options: OptionValues): boolean {
  return options['position'] === 'face-down' || options['position'] === 'hanging'
}

/** From this mass on a leg takes a helper in every position, kg. */
const heavyKg = 110

/** Whether the limb holds itself: face down or hanging, and not too heavy for it. */
export function holdsItself(clinicalCase: ClinicalCase, options: OptionValues): boolean {
  return hangs(options) && (clinicalCase.patient.massKg ?? 0) < heavyKg
}

/** Fewest people for a slab of the lower limb: 2, 1 when it holds itself; one more when the patient cannot be moved. */
export function leastPeople(clinicalCase: ClinicalCase, options: OptionValues): number {
  return (holdsItself(clinicalCase, options) ? 1 : 2) + extraHolder(clinicalCase)
}

/** A hold by gravity that lying or sitting does not give: the helper's floor stays. */
export function judgeGravity(draft: PlanDraft, options: OptionValues): void {
  if (options['hold'] !== 'gravity' || hangs(options)) return
  draft.caution({
    level: 'caution',
    code: 'gravity-position',
    decisions: ['least-crew'],
    at: ['moulds'],
    steps: ['position'],
    text: 'Gravity holds the ankle only face down or hanging: turn the patient, or take a helper.',
    why: 'On the back or seated the foot drops by its own weight.',
  })
}

/** What to change when hands are short for a slab or cast of the lower limb: only what has not been taken already. */
export function crewRelief(clinicalCase: ClinicalCase, options: OptionValues): readonly string[] {
  const relief: string[] = []
  if (!hangs(options)) {
    if (!refusePosition(clinicalCase, 'face-down')) relief.push('turn the patient face down')
    else if (!refusePosition(clinicalCase, 'hanging')) relief.push('let the lower leg hang')
  }
  if (options['material'] === 'plaster-fast') relief.push('take slow plaster')
  if (clinicalCase.environment.waterC > 18) relief.push('use cooler water')
  return relief
}
