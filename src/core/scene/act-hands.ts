import type { LineAct, StepLine } from '../model/step-line'

/** Hands that an act takes of whoever does it, unless its line says so itself. */
const actHands: Readonly<Record<LineAct, 0 | 1 | 2>> = {
  wind: 2,
  saw: 2,
  cut: 2,
  tie: 2,
  ratchet: 2,
  pull: 2,
  ease: 0,
  lift: 2,
  turn: 2,
  hold: 2,
  mould: 2,
  look: 0,
  read: 0,
  say: 0,
  fetch: 2,
  wet: 2,
  smooth: 1,
  lay: 2,
  thread: 2,
  open: 2,
  close: 2,
  press: 1,
}

/** Done with the hands that hold: they take none beside. */
const holdingActs: readonly LineAct[] = ['hold', 'lift', 'turn']

/** Who does one of these holds nothing. */
export const freeHandedActs: readonly LineAct[] = ['wind', 'saw', 'tie', 'ratchet']

/** Hands that a line takes of whoever does it, from 0 to 2. */
export function handsOf({ act, hands }: Pick<StepLine, 'act' | 'hands'>): 0 | 1 | 2 {
  return hands ?? actHands[act]
}

/** Whether an act is done with the hands that hold already. */
export function isOfHolding(act: LineAct): boolean {
  return holdingActs.includes(act)
}
