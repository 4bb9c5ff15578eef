import type { Step } from '../model/step'

/** A step that was done before one that must come before it. */
export interface OrderBreak {
  readonly step: string
  /** The step that must come before, and came after or not at all. */
  readonly before: string
  readonly isMissing: boolean
}

/**
 * Whether a given order breaks a "must come before" of the procedure.
 * @param steps the procedure
 * @param done ids in the order in which they were done; ids that are not in the procedure are passed over
 * @returns every broken direct link, in the order of `done`; optional steps that were left out break nothing
 */
export function findOrderBreaks(steps: readonly Step[], done: readonly string[]): readonly OrderBreak[] {
  const byId = new Map(steps.map((step) => [step.id, step]))
  const firstAt = new Map<string, number>()
  done.forEach((id, index) => {
    if (!firstAt.has(id)) firstAt.set(id, index)
  })
  return [...firstAt].flatMap(([id, at]) =>
    (byId.get(id)?.after ?? []).flatMap((before): OrderBreak[] => {
      const beforeAt = firstAt.get(before)
      if (beforeAt === undefined) return byId.get(before)?.optional ? [] : [{ step: id, before, isMissing: true }]
      return beforeAt > at ? [{ step: id, before, isMissing: false }] : []
    }),
  )
}

/** Steps that may be done next: not done, and all that must come before them is. */
export function openSteps(steps: readonly Step[], done: readonly string[]): readonly Step[] {
  const finished = new Set(done)
  return steps.filter((step) => !finished.has(step.id) && step.after.every((id) => finished.has(id) || isOptional(steps, id)))
}

function isOptional(steps: readonly Step[], id: string): boolean {
  return steps.find((step) => step.id === id)?.optional === true
}
