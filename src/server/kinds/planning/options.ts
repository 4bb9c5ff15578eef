import { refuseOptions } from '#core/planner/resolve-options'
import { findTechnique } from '#core/techniques/registry'
import type { OptionsBody } from '#contract/events/planning/options'
import { protocolOf } from '#contract/records/case'
import { invalidInput } from '../../ground/api-error'
import type { CaseRules } from '../rules'

export const rules: CaseRules<OptionsBody> = {
  check({ body }, record) {
    const problems = refuseOptions(findTechnique(record.technique), body.options, protocolOf(record))
    if (problems.length > 0) throw invalidInput(problems)
  },
}
