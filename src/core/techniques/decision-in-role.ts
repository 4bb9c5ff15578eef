import type { Decision } from '../model/decision'
import { hasRole, type DecisionDefinition, type DecisionRole } from '../model/decision-definition'
import type { Plan } from '../model/plan'
import { findTechnique } from './registry'

/** The declared decisions of a plan's technique that are used as `role`. */
function declaredIn(plan: Plan, role: DecisionRole): readonly DecisionDefinition[] {
  return findTechnique(plan.technique)?.decisions.filter((decision) => hasRole(decision, role)) ?? []
}

/** What a plan decided that is used as `role`, in the plan's order. */
export function decisionsInRole(plan: Plan, role: DecisionRole): readonly Decision[] {
  const ids = new Set(declaredIn(plan, role).map((definition) => definition.id))
  return plan.decisions.filter((decision) => ids.has(decision.id))
}

/** The one decision of a plan that is used as `role`; undefined where it has none. */
export function decisionInRole(plan: Plan | undefined, role: DecisionRole): Decision | undefined {
  return plan && decisionsInRole(plan, role)[0]
}

/** The decisions of a plan that name an item to be set aside, each with how to know it on the shelf. */
export function takenItems(plan: Plan): readonly (Decision & { readonly isItem: NonNullable<DecisionDefinition['isItem']> })[] {
  return declaredIn(plan, 'taken').flatMap(({ id, isItem }) => {
    const decision = plan.decisions.find((one) => one.id === id)
    return decision && isItem ? [{ ...decision, isItem }] : []
  })
}
