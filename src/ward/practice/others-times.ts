import type { StepBand } from '#contract/api/practice-overview'
import { quantile } from 'simple-statistics'
import type { StationScore } from '#core/practice/stations/score-station'

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
