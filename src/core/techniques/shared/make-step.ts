import type { Step } from '../../model/step'

type StepDraft = Pick<Step, 'id' | 'text' | 'why' | 'prevents' | 'after' | 'minutes'> & Partial<Step>

/** A step with what most steps have: one applier, no hold, dry, nowhere in particular. */
export function makeStep(draft: StepDraft): Step {
  return { roles: [], hands: ['apply'], holds: null, wet: false, cautions: [], where: [], ...draft }
}
