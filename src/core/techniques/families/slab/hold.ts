import type { ClinicalCase } from '../../../model/clinical-case'
import { readDefaults } from '../../../quantities/defaults'
import { heavyDefaults } from '../../shared/heavy'
import { extraHolder } from '../../shared/extra-holder'
import { refusePosition } from '../../../planner/shared-options'
import type { PlanDraft } from '../../../planner/draft'
import type { Step } from '../../../model/step'
import { makeStep } from '../../shared/make-step'
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

/** Whether the limb holds itself: face down or hanging, and not too heavy for it. */
export function holdsItself({ clinicalCase, ctx }: PlanDraft, options: OptionValues): boolean {
  return hangs(options) && (clinicalCase.patient.massKg ?? 0) < readDefaults(heavyDefaults, ctx.protocol).slabKg
}

/** Fewest people for a slab of the lower limb: 2, 1 when it holds itself; one more when the patient cannot be moved. */
export function leastPeople(draft: PlanDraft, options: OptionValues): number {
  return (holdsItself(draft, options) ? 1 : 2) + extraHolder(draft.clinicalCase)
}

/** A hold by gravity that lying or sitting does not give: the helper's floor stays. */
export function judgeGravity(draft: PlanDraft, options: OptionValues): void {
  if (options['hold'] !== 'gravity' || hangs(options)) return
  draft.caution({
    level: 'caution',
    code: 'gravity-position',
    decisions: ['least-crew'],
    at: ['settles', 'moulds'],
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

/** The step at which a helper takes the foot, held from then until it is hard; none where face down or hanging it holds itself. */
export function takeFoot(isHeldByItself: boolean): readonly Step<'hold-foot' | 'baseline' | 'hold-set'>[] {
  if (isHeldByItself) return []
  return [
    makeStep({
      id: 'hold-foot',
      text: 'A helper takes the foot and lifts the leg clear: by the toe tips, where toes are broken by a flat palm under the sole. Held until it is hard.',
      why: 'What is wrapped while it rests on its heel is wrapped in the wrong shape.',
      prevents: 'Movement at the injury, a dent of fingers under the wrap.',
      after: ['baseline'],
      minutes: [0.1, 0.2, 0.4],
      hands: [],
      holds: { what: 'foot', from: 'hold-foot', to: 'hold-set', place: 'hold-distal' },
      say: 'We lift your leg now and hold it until the splint is hard. Let it be heavy.',
      where: ['toe'],
    }),
  ]
}
