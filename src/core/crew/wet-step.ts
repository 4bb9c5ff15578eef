import type { HandPlace } from '../plan/step'

/** A step of the wet phase as the scheduler sees it; plain data. */
export interface WetStep {
  readonly id: string
  /** Least, likely and most minutes. */
  readonly minutes: readonly [number, number, number]
  readonly hands: readonly HandPlace[]
  readonly after: readonly string[]
  /** A hold that starts with one step and ends with another. */
  readonly hold: { readonly from: string; readonly to: string } | null
}
