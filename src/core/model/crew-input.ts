import type { HandGrip } from './step'

/** A step of the wet phase as the scheduler sees it; plain data. */
export interface WetStep {
  readonly id: string
  /** Least, likely and most minutes. */
  readonly minutes: readonly [number, number, number]
  readonly hands: readonly HandGrip[]
  readonly after: readonly string[]
  /** A hold that starts with one step and ends with another. */
  readonly hold: { readonly from: string; readonly to: string } | null
}

/** Everything the crew forecast needs; plain data, so that it can cross to a worker and key a memo. */
export interface CrewInput {
  readonly steps: readonly WetStep[]
  /** The step whose end starts the setting clock. */
  readonly wettingStep: string
  /** The step whose end must come before set. */
  readonly mouldingStep: string
  readonly setMin: number
  readonly setSdMin: number
  /** Fewest people that the holds and the place allow. */
  readonly floor: number
  readonly seed: number
}
