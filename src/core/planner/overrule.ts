import type { Overrule } from '../model/clinical-case'
import type { Decision, DecisionStatus } from '../model/decision'
import { formatValue } from './format-decision'
import type { Caution } from '../model/plan'

/**
 * A decision with a clinician's value in place of the computed one, when there is one; both stay readable.
 * The latest overrule of a decision counts.
 */
export function applyOverrule(decision: Decision, overrules: readonly Overrule[]): Decision {
  const overrule = overrules.findLast((one) => one.decision === decision.id)
  if (overrule?.value === undefined) return decision
  return {
    ...decision,
    value: overrule.value,
    display: formatValue(overrule.value, decision.unit),
    overruled: {
      computed: decision.value,
      computedDisplay: decision.display,
      reason: overrule.reason,
      by: overrule.by,
      at: overrule.at,
    },
  }
}

/** A decision with the status of the worst caution that names it, never better than its own. */
export function withStatus(decision: Decision, cautions: readonly Caution[]): Decision {
  const levels = cautions.filter((caution) => caution.decisions.includes(decision.id)).map((caution) => caution.level)
  const status: DecisionStatus = levels.includes('stop') ? 'stop' : levels.includes('caution') ? 'caution' : decision.status
  return status === decision.status ? decision : { ...decision, status }
}

/**
 * A caution with what raised it, and with the reason where a clinician set it aside. Setting aside holds for that cause and that figure:
 * another cause, or a figure that differs by its step, raises it again. A floor is never set aside.
 * @param stepOf the declared step of a decision
 */
export function markOverruled<C extends Caution>(
  caution: C,
  overrules: readonly Overrule[],
  decisions: readonly Decision[],
  stepOf: (decision: string) => number,
): C {
  const [first] = caution.decisions
  const value = decisions.find((decision) => decision.id === first)?.value
  const figure = typeof value === 'number' ? value : null
  const from = caution.decisions.join('+') || caution.code
  const raised = { ...caution, from, figure }
  if (caution.isFloor) return raised
  const isSame = (one: Overrule): boolean => {
    if (one.caution !== caution.code || (one.from !== undefined && one.from !== from)) return false
    if (typeof one.figure !== 'number' || figure === null || first === undefined) return true
    return Math.abs(figure - one.figure) < Math.max(stepOf(first), 1e-9)
  }
  const overrule = overrules.findLast(isSame)
  return overrule ? { ...raised, overruled: { reason: overrule.reason, by: overrule.by, at: overrule.at } } : raised
}
