import type { HandGrip, Step } from '../model/step'

/** Hands at work in a step: its own, its hold, and every hold that spans it. */
export function handsAt(steps: readonly Step[], step: Step): readonly HandGrip[] {
  const at = steps.indexOf(step)
  const spanning = steps.flatMap(({ holds }) => {
    if (!holds) return []
    const from = steps.findIndex((one) => one.id === holds.from)
    const to = steps.findIndex((one) => one.id === holds.to)
    return from >= 0 && from <= at && at <= to ? [holds.place] : []
  })
  return [...new Set([...step.hands, ...spanning])]
}
