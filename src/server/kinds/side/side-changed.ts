import type { SideChangedBody } from '#contract/events/side/side-changed'
import { mayChangeSide } from '#contract/rights'
import { refuseRole } from '../refuse'
import type { CaseRules } from '../rules'
import { letGoWithPlan } from '../stock/let-go-of-stock'

export const rules: CaseRules<SideChangedBody> = {
  check(_claim, record, actor) {
    if (mayChangeSide(actor.roles, record.accepted !== null)) return
    refuseRole('Side, region and pattern were read aloud: they are a clinician’s to change. Ask one.')
  },
  after: letGoWithPlan,
}
