import type { CrewInput } from './crew-input'
import type { HeatInput } from './heat-input'

/** Decisions that are too slow for a frame, whatever technique makes them. */
export const slowDecisions = ['peak-skin-temp', 'least-crew'] as const

/** A decision too slow for the frame in which a reading changes, as plain data for a worker. */
export type SlowTask =
  | { readonly decision: 'peak-skin-temp'; readonly input: HeatInput; readonly vulnerable: string | null }
  | { readonly decision: 'least-crew'; readonly input: CrewInput; readonly people: number | null; readonly relief: readonly string[] }
