import type { Caution } from '../model/plan'
import type { Step } from '../model/step'

export interface BindingFacts {
  /** Stops and cautions of the plan in force, and those that a waiting change would bring. */
  readonly cautions: readonly Caution[]
  /** The run opens or eases what is on. */
  readonly isOpening: boolean
  /** What is held is the head. */
  readonly isColumn: boolean
}

/**
 * Stops that stand on a step and hold it back until somebody answers for going on (STANDING, It binds). Nothing binds a run that opens or
 * eases, nor a step that begins to hold a head.
 */
export function stopsOn(step: Step, { cautions, isOpening, isColumn }: BindingFacts): readonly Caution[] {
  const holdsHead = isColumn && step.holds?.from === step.id
  if (isOpening || holdsHead) return []
  const found = cautions.filter((one) => one.level === 'stop' && !one.overruled && one.steps.includes(step.id))
  return found.filter((one, index) => found.findIndex((each) => each.code === one.code) === index)
}

/** Whether straps of a step are still to be marked as closed. */
export function unmarkedStraps(step: Step, marks: ReadonlyMap<string, string>): readonly string[] {
  return (step.straps?.straps ?? []).filter((strap) => !['snug', 'checked'].includes(marks.get(strap.id) ?? '')).map((strap) => strap.label)
}

/** The step that looks again at what was put on, and compares with the baseline. */
export const afterCheckId = 'after-check'

/** Whether a step asks for a recorded check before it can be confirmed. */
export function asksCheck(step: Pick<Step, 'id'>): boolean {
  return step.id === 'baseline' || step.id === afterCheckId
}

/**
 * When a check has to have been made to count at a step that waits for one: after the last thing that was done to the patient, never the
 * old baseline.
 * @param entries what was recorded of the run, in the order of time
 * @param startedAt ISO 8601
 * @returns milliseconds since the epoch
 */
export function freshSince(
  step: Pick<Step, 'id'>,
  entries: readonly { readonly stepId: string; readonly outcome: string; readonly at: string }[],
  startedAt: string,
): number {
  const others = entries.filter((one) => one.stepId !== step.id && one.outcome === 'done').map((one) => Date.parse(one.at))
  return Math.max(Date.parse(startedAt), ...others)
}
