import type { Overrule } from '../case/clinical-case'
import { findTechnique } from '../techniques/registry'
import { applySlowResult } from './apply-slow-result'
import type { PlanContext } from './context'
import type { Plan } from './plan'
import { solveSlowTask } from './solve-slow-task'

/** A plan with every pending decision computed here and now: for the command line, the server and tests. */
export function finishPlan(plan: Plan, ctx: PlanContext, overrules: readonly Overrule[]): Plan {
  const technique = findTechnique(plan.technique)
  if (!technique) return plan
  return plan.pending.reduce((current, task) => applySlowResult(technique, current, task, solveSlowTask(task, ctx.memo), overrules), plan)
}
