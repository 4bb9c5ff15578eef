import type { CrewInput } from './crew-input'
import type { HeatInput } from './heat-input'

/** Decisions that are too slow for a frame, whatever technique makes them. */
export const slowDecisions = ['peak-skin-temp', 'least-crew'] as const

/** A decision too slow for the frame in which a reading changes, as plain data for a worker. */
export type SlowTask =
  | { readonly decision: 'peak-skin-temp'; readonly input: HeatInput; readonly vulnerable: string | null }
  | {
      readonly decision: 'least-crew'
      readonly input: CrewInput
      readonly people: number | null
      readonly relief: readonly string[]
      /** Fewer than the floor are stopped at the line that nobody fills, and not warned of here. */
      readonly isSearched?: true
    }

/** The input of one slow decision among those that a plan asks for; null when it does not. */
export function taskOf<D extends SlowTask['decision']>(tasks: readonly SlowTask[], decision: D): Extract<SlowTask, { decision: D }> | null {
  return tasks.find((task): task is Extract<SlowTask, { decision: D }> => task.decision === decision) ?? null
}
