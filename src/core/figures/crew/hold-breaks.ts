import type { CrewInput, WetStep } from '../../model/crew-input'
import { scheduleWetPhase } from './schedule'

/** A step at which more hands are needed than there are. */
export interface HoldBreak {
  readonly step: string
  /** Hands at the work itself. */
  readonly hands: number
  /** With those who hold and may not let go. */
  readonly needed: number
}

/** So many can do anything that one of the techniques asks for. */
const many = 8

/**
 * Where a crew has to let go of a hold, even if it does one thing at a time, in the order that enough people would go by.
 * @param people 1 or more
 * @returns null where they never have to
 */
export function holdBreaksAt(input: Pick<CrewInput, 'steps'>, people: number): HoldBreak | null {
  const order = scheduleWetPhase(input.steps, many)?.order ?? input.steps.map((step) => step.id)
  const done: WetStep[] = []
  for (const id of order) {
    const step = input.steps.find((one) => one.id === id)
    if (!step) continue
    const holding = done.flatMap(({ holdsUntil }) => holdsUntil).filter((to) => !done.some((other) => other.id === to)).length
    const needed = step.hands.length + step.holdsUntil.length + holding
    if (needed > people) return { step: step.id, hands: step.hands.length, needed }
    done.push(step)
  }
  return null
}
