import type { HandGrip, Step } from '../model/step'
import type { HeldThing } from '../model/held-thing'

/** Something that hands hold, and from where. */
export interface HeldAt {
  readonly what: HeldThing
  readonly place: HandGrip
}

/**
 * What is held in a step, by every hold that spans it: taken over by another grip from the step on at which that is said.
 * @param steps the procedure, in its order
 */
export function heldAt(steps: readonly Step[], step: Step): readonly HeldAt[] {
  const place = (id: string): number => steps.findIndex((one) => one.id === id)
  const at = steps.indexOf(step)
  return steps.flatMap(({ holds }) => {
    if (!holds) return []
    const from = place(holds.from)
    if (from < 0 || from > at || at > place(holds.to)) return []
    const taken = holds.changes?.findLast((change) => place(change.at) >= 0 && place(change.at) <= at)
    return [{ what: holds.what, place: taken?.place ?? holds.place }]
  })
}
