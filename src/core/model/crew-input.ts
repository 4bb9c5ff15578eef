import type { HandGrip } from './step'

/** A step of the wet phase as the scheduler sees it; plain data. */
export interface WetStep {
  readonly id: string
  /** Least, likely and most minutes. */
  readonly minutes: readonly [number, number, number]
  readonly hands: readonly HandGrip[]
  readonly after: readonly string[]
  /** For each pair of hands that begins to hold with it: the step whose end releases them. */
  readonly holdsUntil: readonly string[]
}

/** Work that has to end while something that was wetted is still workable. */
export interface CrewWindow {
  /** The step that wets it, and whether its clock starts when that begins or when it ends. */
  readonly from: string
  readonly at: 'start' | 'end'
  /** The step that has to end in time, or only to start in time where `toAt` says so. */
  readonly to: string
  readonly toAt?: 'start'
  /** Of the setting time, above 0 to 1: layers bond only while the one below is soft. */
  readonly share: number
}

/** Everything the crew forecast needs; plain data, so that it can cross to a worker and key a memo. */
export interface CrewInput {
  readonly steps: readonly WetStep[]
  /** The step whose end starts the setting clock, the last one where several are wetted. */
  readonly wettingStep: string
  /** The step whose end must come before set. */
  readonly mouldingStep: string
  /** Each part's own clock, where there is more than one; otherwise moulding while the slab is workable, from the end of wetting. */
  readonly windows?: readonly CrewWindow[]
  readonly setMin: number
  readonly setSdMin: number
  /** Fewest people that the holds and the place allow. */
  readonly floor: number
  readonly seed: number
}

/** What was wetted can be shaped, and bonds, for so much of its setting time. */
export const workableShare = 0.8

/** What has to end while what is still soft. */
export function windowsOf(
  input: Pick<CrewInput, 'wettingStep' | 'mouldingStep'> & { readonly windows?: readonly CrewWindow[] | undefined },
): readonly CrewWindow[] {
  return input.windows ?? [{ from: input.wettingStep, at: 'end', to: input.mouldingStep, share: workableShare }]
}
