import type { Overrule, StockItem } from '../model/clinical-case'
import type { Problem } from '../model/problem'
import { refuseValue } from '../model/decision-definition'
import type { Technique } from './technique'

type Declares = Pick<Technique, 'name' | 'decisions'>

/**
 * Why an overrule of a decision cannot be taken, as problem `out-of-range` with path `overrules/<decision>`; null when it can, and
 * for a caution that is set aside.
 * @param items sizes at hand: the catalogue and the case's own list
 */
export function refuseOverrule(
  technique: Declares,
  overrule: Pick<Overrule, 'decision' | 'value'>,
  items: readonly StockItem[],
): Problem | null {
  const { decision, value } = overrule
  if (decision === undefined) return null
  const definition = technique.decisions.find((one) => one.id === decision)
  const reason = definition
    ? refuseValue(definition, value, items)
    : `${technique.name} decides no "${decision}": use one of ${technique.decisions.map((one) => one.id).join(', ')}.`
  return reason === null ? null : { code: 'out-of-range', path: `overrules/${decision}`, message: reason }
}

/**
 * The overrules that a plan may compute with. The latest of a decision counts; one that was kept before its decision declared a range,
 * and lies outside it, counts as not given: the computed value stays and the problem stands until it is set again.
 */
export function usableOverrules(
  technique: Declares,
  overrules: readonly Overrule[],
  items: readonly StockItem[],
): { readonly overrules: readonly Overrule[]; readonly problems: readonly Problem[] } {
  const problems: Problem[] = []
  const usable = overrules.filter((overrule, index) => {
    if (overrule.decision === undefined) return true
    const isLatest = !overrules.some((later, at) => at > index && later.decision === overrule.decision)
    const problem = isLatest ? refuseOverrule(technique, overrule, items) : null
    if (problem) problems.push({ ...problem, message: `The overrule is not usable. ${problem.message} Set it again.` })
    return isLatest && problem === null
  })
  return { overrules: usable, problems }
}

/** Sizes at hand: everything in the catalogue, and what the case's own list brings. */
export function itemsAtHand(stock: 'catalogue' | readonly StockItem[], catalogueItems: readonly StockItem[]): readonly StockItem[] {
  return stock === 'catalogue' ? catalogueItems : [...catalogueItems, ...stock]
}
