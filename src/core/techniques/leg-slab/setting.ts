import type { CrewInput } from '../../crew/crew-odds'
import { hasFlag, isYoungerThan, type ClinicalCase } from '../../case/clinical-case'
import type { PlanDraft } from '../../plan/draft'
import type { Step } from '../../plan/plan'
import { refusePosition } from '../shared-options'
import type { OptionValues } from '../technique'

/** Why skin at risk gets the lower heat limit, or null (SAFETY, PRECISIONS: child, neuropathy, unresponsive, fragile skin). */
export function heatVulnerability(clinicalCase: ClinicalCase): string | null {
  if (isYoungerThan(clinicalCase, 16)) return 'child'
  const flag = (['neuropathy', 'unresponsive', 'fragile-skin'] as const).find((one) => hasFlag(clinicalCase, one))
  return flag ? flag.replaceAll('-', ' ') : null
}

/** Fewest people that holds and place allow: 2; 1 with gravity holding, face down or hanging; one more when the patient cannot be moved. */
export function leastPeople(clinicalCase: ClinicalCase, options: OptionValues): number {
  const holdsItself = options['hold'] === 'gravity' || options['position'] === 'face-down' || options['position'] === 'hanging'
  return (holdsItself ? 1 : 2) + (hasFlag(clinicalCase, 'cannot-be-moved') ? 1 : 0)
}

/** The crew forecast's input, from the wet steps of the procedure. */
export function crewInput(draft: PlanDraft, steps: readonly Step[], set: { minutes: number; sd: number }, floor: number): CrewInput {
  const wet = steps.filter((step) => step.wet && !step.optional)
  const ids = new Set(wet.map((step) => step.id))
  return {
    steps: wet.map((step) => ({
      id: step.id,
      minutes: step.minutes,
      hands: step.hands,
      after: step.after.filter((id) => ids.has(id)),
      hold: step.holds ? { from: step.holds.from, to: step.holds.to } : null,
    })),
    wettingStep: 'wet',
    mouldingStep: 'mould',
    setMin: set.minutes,
    setSdMin: set.sd,
    floor,
    seed: draft.clinicalCase.seed ?? draft.ctx.seed,
  }
}

/** What to change when hands are short. */
export function crewRelief(clinicalCase: ClinicalCase, options: OptionValues): readonly string[] {
  const relief: string[] = []
  if (!refusePosition(clinicalCase, 'face-down')) relief.push('turn the patient face down')
  else if (!refusePosition(clinicalCase, 'hanging')) relief.push('let the lower leg hang')
  if (options['material'] === 'plaster-fast') relief.push('take slow plaster')
  if (clinicalCase.environment.waterC > 18) relief.push('use cooler water')
  return relief
}
