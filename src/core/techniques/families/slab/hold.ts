import type { ClinicalCase } from '../../../model/clinical-case'
import { extraHolder } from '../../shared/extra-holder'
import { refusePosition } from '../../../planner/shared-options'
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

/** Whether the limb holds itself: by gravity, face down or hanging. */
export function holdsItself(options: OptionValues): boolean {
  return options['hold'] === 'gravity' || options['position'] === 'face-down' || options['position'] === 'hanging'
}

/** Fewest people for a slab of the lower limb: 2, 1 when it holds itself; one more when the patient cannot be moved. */
export function leastPeople(clinicalCase: ClinicalCase, options: OptionValues): number {
  return (holdsItself(options) ? 1 : 2) + extraHolder(clinicalCase)
}

/** What to change when hands are short for a slab or cast of the lower limb. */
export function crewRelief(clinicalCase: ClinicalCase, options: OptionValues): readonly string[] {
  const relief: string[] = []
  if (!refusePosition(clinicalCase, 'face-down')) relief.push('turn the patient face down')
  else if (!refusePosition(clinicalCase, 'hanging')) relief.push('let the lower leg hang')
  if (options['material'] === 'plaster-fast') relief.push('take slow plaster')
  if (clinicalCase.environment.waterC > 18) relief.push('use cooler water')
  return relief
}
