import type { Overrule } from '../model/clinical-case'
import { findTechnique } from './registry'
import { applySlowResult, takeRemembered } from '../planner/apply-slow-result'
import type { PlanContext } from '../model/plan-context'
import type { Plan } from '../model/plan'
import { solveSlowTask } from '../planner/solve-slow-task'

/** A plan with every pending decision computed here and now: for the command line, the server and tests. */
export function finishPlan(plan: Plan, ctx: PlanContext, overrules: readonly Overrule[]): Plan {
  const technique = findTechnique(plan.technique)
  if (!technique) return plan
  return plan.pending.reduce((current, task) => applySlowResult(technique, current, task, solveSlowTask(task, ctx.memo), overrules), plan)
}

/** A plan with every pending decision that the context's memo knows by now; the rest stays pending. */
export function takeKnown(plan: Plan, ctx: PlanContext, overrules: readonly Overrule[]): Plan {
  const technique = findTechnique(plan.technique)
  return technique ? takeRemembered(technique, plan, ctx, overrules) : plan
}
