import type { Overrule } from '../model/clinical-case'
import { atSteps } from './at-steps'
import type { Technique } from './technique'
import { usableOverrules } from './usable-overrules'
import type { PlanContext } from '../model/plan-context'
import { applyOverrule, markOverruled, withStatus } from './overrule'
import { outsideRange } from './overruled-range'
import type { Plan } from '../model/plan'
import { slowOutcome } from './slow-outcome'
import { slowDecisions, type SlowTask } from '../model/slow-task'
import { slowKey, type SlowResult } from './solve-slow-task'

/** A plan with every pending decision that the memo already knows. */
export function takeRemembered(technique: Technique, plan: Plan, ctx: PlanContext, overrules: readonly Overrule[]): Plan {
  if (ctx.memo.isEmpty()) return plan
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
  const set = applyOverrule(made.decision, usable)
  const beyond = outsideRange(set, made.range)
  const cautions = beyond ? [...made.cautions, { steps: [], ...beyond }] : made.cautions
  const decision = withStatus(set, cautions)
  // Whichever was known first, they stand in the order in which the technique declares them: same file, same bytes.
  const place = (id: string | undefined): number =>
    slowDecisions.some((slowDecision) => slowDecision === id) ? technique.decisions.findIndex((one) => one.id === id) : -1
  return {
    ...plan,
    decisions: [...plan.decisions, decision].sort((a, b) => place(a.id) - place(b.id)),
    cautions: [
      ...plan.cautions,
      ...cautions.map((caution) => markOverruled(atSteps(caution, plan.procedure.steps), overrules, [decision], stepOf)),
    ].sort((a, b) => place(a.decisions[0]) - place(b.decisions[0])),
    pending: plan.pending.filter((one) => one.decision !== task.decision),
  }
}
