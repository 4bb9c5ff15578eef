import { quantile } from 'simple-statistics'
import type { StationScore } from '#core/practice/stations/score-station'

/** How long others took for a step: the middle half of them, and the middle one, ms. */
export interface StepBand {
  readonly stepId: string
  readonly lowMs: number
  readonly medianMs: number
  readonly highMs: number
}

/** Fewer could be told apart by who has done it. */
const leastOthers = 3

/** The band of others' times by step; a step that fewer than three did has none. */
export function timeBands(others: readonly Pick<StationScore, 'steps'>[]): readonly StepBand[] {
  const byStep = new Map<string, number[]>()
  for (const { steps } of others) for (const { stepId, tookMs } of steps) byStep.set(stepId, [...(byStep.get(stepId) ?? []), tookMs])
  return [...byStep].flatMap(([stepId, times]): readonly StepBand[] =>
    times.length < leastOthers
      ? []
      : [{ stepId, lowMs: quantile(times, 0.25), medianMs: quantile(times, 0.5), highMs: quantile(times, 0.75) }],
  )
}
