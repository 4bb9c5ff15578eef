import { forecastCrew, type CrewResult } from '../figures/crew/crew-odds'
import { solveHeat, type HeatResult } from '../figures/heat/solve-heat'
import type { Memo } from '../model/plan-context'
import type { SlowTask } from '../model/slow-task'

export type SlowResult =
  | { readonly decision: 'peak-skin-temp'; readonly result: HeatResult }
  | { readonly decision: 'least-crew'; readonly result: CrewResult }

/** The memo key of a slow task: its inputs, and nothing else. */
export function slowKey(task: SlowTask): string {
  return `${task.decision}:${JSON.stringify(task.input)}`
}

/** Solves a slow task, remembering the answer by its inputs. */
export function solveSlowTask(task: SlowTask, memo: Memo): SlowResult {
  const key = slowKey(task)
  const known = memo.get(key) as SlowResult | undefined
  if (known) return known
  const solved: SlowResult =
    task.decision === 'peak-skin-temp'
      ? { decision: task.decision, result: solveHeat(task.input) }
      : { decision: task.decision, result: forecastCrew(task.input) }
  memo.set(key, solved)
  return solved
}
