import type { Plan } from '../model/plan'

/** One figure that differs between two plans; null where a plan does not have it. */
export interface DecisionChange {
  readonly id: string
  readonly label: string
  readonly before: string | null
  readonly after: string | null
}

/** What another school, size or reading would change. */
export interface PlanChanges {
  readonly decisions: readonly DecisionChange[]
  /** Texts of cautions that only one of the plans has. */
  readonly cautionsGone: readonly string[]
  readonly cautionsNew: readonly string[]
  /** Texts of steps that only one of the plans has. */
  readonly stepsGone: readonly string[]
  readonly stepsNew: readonly string[]
}

/** Compares two plans of one case by what a person could see. */
export function comparePlans(before: Plan, after: Plan): PlanChanges {
  const ids = [...new Set([...before.decisions, ...after.decisions].map((one) => one.id))]
  const decisions = ids.flatMap((id): DecisionChange[] => {
    const [was, is] = [before, after].map((plan) => plan.decisions.find((one) => one.id === id))
    if (was?.display === is?.display) return []
    return [{ id, label: (is ?? was)?.label ?? id, before: was?.display ?? null, after: is?.display ?? null }]
  })
  const texts = (plan: Plan, of: 'cautions' | 'steps'): ReadonlySet<string> =>
    new Set((of === 'cautions' ? plan.cautions : plan.procedure.steps).map((one) => one.text))
  const only = (one: Plan, other: Plan, of: 'cautions' | 'steps'): readonly string[] =>
    [...texts(one, of)].filter((text) => !texts(other, of).has(text))
  return {
    decisions,
    cautionsGone: only(before, after, 'cautions'),
    cautionsNew: only(after, before, 'cautions'),
    stepsGone: only(before, after, 'steps'),
    stepsNew: only(after, before, 'steps'),
  }
}
