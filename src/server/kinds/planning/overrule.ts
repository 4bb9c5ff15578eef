import { catalogue } from '#core/catalogue/catalogue'
import { itemsAtHand, refuseOverrule } from '#core/planner/usable-overrules'
import { isAlwaysFloor } from '#core/rules/floors'
import { findTechnique } from '#core/techniques/registry'
import type { OverruleBody } from '#contract/events/planning/overrule'
import { invalidInput } from '../../ground/api-error'
import { refuse } from '../refuse'
import type { CaseRules } from '../rules'

export const rules: CaseRules<OverruleBody> = {
  check({ body }, record) {
    const { caution } = body
    if (caution !== undefined && isAlwaysFloor(caution)) {
      refuse('out-of-range', 'body/caution', `${caution} is a floor of safety and cannot be set aside: change what raises it.`)
    }
    const technique = findTechnique(record.technique)
    if (!technique) return
    const items = itemsAtHand(record.store?.items ?? 'catalogue', catalogue.items)
    const problem = refuseOverrule(technique, body, items)
    if (problem) throw invalidInput([{ ...problem, path: 'body/value' }])
  },
}
