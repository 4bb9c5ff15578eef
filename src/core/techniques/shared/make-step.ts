import type { Step } from '../../model/step'

type StepDraft<Id extends string> = Pick<Step<Id>, 'id' | 'text' | 'why' | 'prevents' | 'after' | 'minutes'> & Partial<Step<Id>>

/**
 * A step with what most steps have: one applier, no hold, dry, nowhere in particular. Whoever returns it as a step of a technique
 * (`Step<LegCastStep>`) is told by the compiler of a step it names that the technique does not have.
 */
export function makeStep<Id extends string>(draft: StepDraft<Id>): Step<Id> {
  return { roles: [], hands: ['apply'], holds: null, wet: false, cautions: [], where: [], ...draft }
}
