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
  const levels = cautions.filter((one) => one.decisions.includes(decision.id)).map((one) => one.level)
  const status: DecisionStatus = levels.includes('stop') ? 'stop' : levels.includes('caution') ? 'caution' : decision.status
  return status === decision.status ? decision : { ...decision, status }
}

/** Keeps the reason with a caution that a clinician set aside. */
export function markOverruled(caution: Caution, overrules: readonly Overrule[]): Caution {
  const overrule = overrules.findLast((one) => one.caution === caution.code)
  if (!overrule) return caution
  return { ...caution, overruled: { reason: overrule.reason, by: overrule.by, at: overrule.at } }
}
