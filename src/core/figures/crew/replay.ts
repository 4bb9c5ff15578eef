import type { WetStep } from '../../model/crew-input'

/** A start order made ready to be played many times with drawn durations. */
export interface Replay {
  /**
   * Plays the order: each step starts, in order, as soon as its predecessors are done and hands are free.
   * @param minutes duration of each step, in the order of the steps given to `prepareReplay`
   * @returns the end minute of each step, in the same order; the same array every time
   */
  play(minutes: Float64Array): Float64Array
}

interface Part {
  readonly hands: number
  readonly applies: boolean
  readonly after: readonly number[]
  /** For each of its holds: the step that releases it. */
  readonly holdTo: readonly number[]
}

/**
 * Prepares a start order for replaying without allocation: the crew odds play it some thousand times.
 * @param order ids of all steps, in the order in which they start
 * @param people crew size; the order must be one that this crew can staff
 */
export function prepareReplay(steps: readonly WetStep[], order: readonly string[], people: number): Replay {
  const index = new Map(steps.map((step, i) => [step.id, i]))
  const parts = steps.map((step): Part => ({
    hands: step.hands.length,
    applies: step.hands.includes('apply'),
    after: step.after.flatMap((id) => index.get(id) ?? []),
    holdTo: step.holdsUntil.flatMap((id) => index.get(id) ?? []),
  }))
  const sequence = order.flatMap((id) => index.get(id) ?? [])
  const starts = new Float64Array(steps.length)
  const ends = new Float64Array(steps.length)

  const isFree = (self: number, placed: number, time: number): boolean => {
    const part = parts[self]!
    let busy = part.hands + part.holdTo.length
    for (let k = 0; k < placed; k++) {
      const other = sequence[k]!
      const otherPart = parts[other]!
      if (ends[other]! > time + 1e-9) {
        busy += otherPart.hands
        if (otherPart.applies && part.applies) return false
      }
      if (starts[other]! > time + 1e-9) continue
      for (const to of otherPart.holdTo) if (!isPlaced(to, placed) || ends[to]! > time + 1e-9) busy += 1
    }
    return busy <= people
  }
  const isPlaced = (step: number, placed: number): boolean => {
    for (let k = 0; k < placed; k++) if (sequence[k] === step) return true
    return false
  }
  return {
    play(minutes) {
      let now = 0
      for (let k = 0; k < sequence.length; k++) {
        const self = sequence[k]!
        let time = now
        for (const before of parts[self]!.after) time = Math.max(time, ends[before]!)
        for (let tries = 0; tries <= k && !isFree(self, k, time); tries++) time = nextEnd(k, time)
        starts[self] = time
        ends[self] = time + minutes[self]!
        now = time
      }
      return ends
    },
  }

  function nextEnd(placed: number, time: number): number {
    let next = Infinity
    for (let k = 0; k < placed; k++) {
      const end = ends[sequence[k]!]!
      if (end > time + 1e-9 && end < next) next = end
    }
    return next === Infinity ? time : next
  }
}
