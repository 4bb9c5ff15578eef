import type { Plan } from '../../model/plan'
import { afterCheckId } from '../../runs/what-binds'
import type { CriticalError, Station, StationRun } from './station'

/** The steps that look at circulation, before the device and after it, in every procedure. */
const lookSteps = { before: 'baseline', after: afterCheckId } as const

/**
 * What the application itself sees go critically wrong when it is the manikin: circulation that was not looked at before the first step that
 * builds on it, or not after the device. What only a person sees stays with an examiner.
 * @param run ended
 */
export function criticalsAlone(station: Station, plan: Plan, run: StationRun): readonly CriticalError[] {
  const at = new Map(run.ticks.map((tick) => [tick.stepId, tick.atMs]))
  const { steps } = plan.procedure
  const has = (id: string): boolean => steps.some((step) => step.id === id)
  const lookedMs = at.get(lookSteps.before) ?? Infinity
  const isEarly = steps.some((step) => step.after.includes(lookSteps.before) && (at.get(step.id) ?? Infinity) < lookedMs)
  const found: CriticalError[] = []
  if (has(lookSteps.before) && (lookedMs === Infinity || isEarly)) found.push('circulation-before')
  if (has(lookSteps.after) && !at.has(lookSteps.after)) found.push('circulation-after')
  return found.filter((id) => station.criticals.includes(id))
}
