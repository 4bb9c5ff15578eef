import type { Step } from '../../model/step'

export interface FixedWindow {
  /** Likely minutes along the longest chain of steps that must follow one another. */
  readonly leastMin: number
  /** Likely minutes when one applier does every step. */
  readonly serialMin: number
  /** Likely minutes of work, hands added up. */
  readonly handMin: number
  /** Most hands that one step and the holds over it need at once. */
  readonly mostHands: number
}

/**
 * Hands and minutes of work without a wet phase: it has no clock of its own, only a station's time limit.
 * @param steps in display order, which respects `after`
 * @returns minutes by the likely durations; hands as people
 */
export function measureFixedWindow(steps: readonly Step[]): FixedWindow {
  const done = steps.filter((step) => !step.optional)
  const ends = new Map<string, number>()
  for (const step of done) {
    const start = Math.max(0, ...step.after.map((id) => ends.get(id) ?? 0))
    ends.set(step.id, start + step.minutes[1])
  }
  const holdsOver = (index: number): number =>
    done.filter(({ holds }) => {
      if (!holds) return false
      const from = done.findIndex((one) => one.id === holds.from)
      const to = done.findIndex((one) => one.id === holds.to)
      return from >= 0 && from <= index && index <= to
    }).length
  return {
    leastMin: Math.max(0, ...ends.values()),
    serialMin: done.reduce((sum, step) => sum + step.minutes[1], 0),
    handMin: done.reduce((sum, step, index) => sum + step.minutes[1] * (step.hands.length + holdsOver(index)), 0),
    mostHands: Math.max(0, ...done.map((step, index) => step.hands.length + holdsOver(index))),
  }
}
