import type { Step } from '../model/step'
import type { StepMust } from '../model/step-must'

/** A step that was done before one that comes before it. */
export interface OrderBreak {
  readonly step: string
  /** The step that comes before, and came after or not at all. */
  readonly before: string
  readonly isMissing: boolean
  /** What comes of it; null where it is only another order than is usual here. */
  readonly harm: string | null
}

/** What must come before a step. A procedure that does not tell must from usual binds all of `after`, by what each prevents. */
export function mustsOfStep(step: Step, steps: readonly Step[]): readonly StepMust[] {
  return step.musts ?? step.after.map((before) => ({ before, harm: steps.find(({ id }) => id === before)?.prevents ?? '' }))
}

/**
 * Whether a given order breaks what must, or usually does, come before.
 * @param steps the procedure
 * @param done ids in the order in which they were done; ids that are not in the procedure are passed over
 * @returns every broken link, in the order of `done`, musts first; optional steps that were left out break nothing, and what is only usual is
 *   broken by another order alone, not by what was left out
 */
export function findOrderBreaks(steps: readonly Step[], done: readonly string[]): readonly OrderBreak[] {
  const byId = new Map(steps.map((step) => [step.id, step]))
  const firstAt = new Map<string, number>()
  done.forEach((id, index) => {
    if (!firstAt.has(id)) firstAt.set(id, index)
  })
  return [...firstAt].flatMap(([id, at]): readonly OrderBreak[] => {
    const step = byId.get(id)
    if (!step) return []
    const musts = mustsOfStep(step, steps)
    const usual = step.after.filter((before) => !musts.some((each) => each.before === before))
    return [
      ...musts.flatMap(({ before, harm }): readonly OrderBreak[] => {
        const beforeAt = firstAt.get(before)
        if (beforeAt === undefined) return byId.get(before)?.optional ? [] : [{ step: id, before, isMissing: true, harm }]
        return beforeAt > at ? [{ step: id, before, isMissing: false, harm }] : []
      }),
      ...usual.filter((before) => (firstAt.get(before) ?? -1) > at).map((before) => ({ step: id, before, isMissing: false, harm: null })),
    ]
  })
}

/** Steps that may be done next: not done, and all that must or usually does come before them is. */
export function openSteps(steps: readonly Step[], done: readonly string[]): readonly Step[] {
  const finished = new Set(done)
  return steps.filter((step) => !finished.has(step.id) && step.after.every((id) => finished.has(id) || isOptional(steps, id)))
}

function isOptional(steps: readonly Step[], id: string): boolean {
  return steps.find((step) => step.id === id)?.optional === true
}
