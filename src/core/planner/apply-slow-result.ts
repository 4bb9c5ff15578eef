import type { Overrule } from '../model/clinical-case'
import { atSteps } from './at-steps'
import type { Technique } from './technique'
import { usableOverrules } from './usable-overrules'
import type { PlanContext } from '../model/plan-context'
import { applyOverrule, markOverruled, withStatus } from './overrule'
import type { Plan } from '../model/plan'
import { slowOutcome } from './slow-outcome'
import type { SlowTask } from '../model/slow-task'
import { slowKey, type SlowResult } from './solve-slow-task'

/** A plan with every pending decision that the memo already knows. */
export function takeRemembered(technique: Technique, plan: Plan, ctx: PlanContext, overrules: readonly Overrule[]): Plan {
  return plan.pending.reduce((current, task) => {
    const known = ctx.memo.get(slowKey(task)) as SlowResult | undefined
    return known ? applySlowResult(technique, current, task, known, overrules) : current
  }, plan)
}

/** Puts one slow result into the plan: its decision, its cautions, and the task off the pending list. */
export function applySlowResult(
  technique: Technique,
  plan: Plan,
  task: SlowTask,
  solved: SlowResult,
  overrules: readonly Overrule[],
): Plan {
  const made = slowOutcome(task, solved)
  if (!made) return plan
  const stepOf = (id: string): number => technique.decisions.find((one) => one.id === id)?.step ?? 0
  const usable = usableOverrules(technique, overrules, []).overrules
  const decision = withStatus(applyOverrule(made.decision, usable), made.cautions)
  return {
    ...plan,
    decisions: [...plan.decisions, decision],
    cautions: [
      ...plan.cautions,
      ...made.cautions.map((caution) => markOverruled(atSteps(caution, plan.procedure.steps), overrules, [decision], stepOf)),
    ],
    pending: plan.pending.filter((one) => one.decision !== task.decision),
  }
}
