import type { TechniqueBody } from '#contract/events/planning/technique'
import { hasRight } from '#contract/rights'
import { refuseRole } from '../refuse'
import type { CaseRules } from '../rules'
import { letGoWithPlan } from '../stock/let-go-of-stock'
import { checkNotBegun } from './not-begun'

/** Another technique drops overrules and acceptance, so that only who may make them may do it then. */
export const rules: CaseRules<TechniqueBody> = {
  check(_claim, record, actor) {
    checkNotBegun(record, 'body/technique')
    if (hasRight(actor.roles, 'decide')) return
    if (record.accepted === null && record.overrules.length === 0) return
    refuseRole(
      `A clinician has ${record.accepted ? 'accepted the plan' : 'overruled a figure'} of this case, and another technique would drop that: ask a clinician.`,
    )
  },
  after: letGoWithPlan,
}
