import type { RunStartedBody } from '#contract/records/run'
import { kindOfRun } from '#contract/records/run-kind'
import { mayBeginWithoutPlan } from '#contract/rights'
import { isOnWrongLimb } from '#contract/views/side-state'
import { onSinceMs } from '#contract/views/situation-of-case'
import { refuse, refuseRole } from '../refuse'
import type { CaseRules } from '../rules'

/** An application begins from an accepted plan, or without one by a clinician who says why. */
export const rules: CaseRules<RunStartedBody> = {
  check({ body }, record, actor) {
    if (body.care && record.appliedAt === null)
      refuse('format', 'body/care', 'Nothing is on yet: apply it first, then its care is done again.')
    if (body.isOpenNow && onSinceMs(record) === null) refuse('format', 'body/isOpenNow', 'Nothing is on yet: there is nothing to open.')
    if (body.isTakingOff && !isOnWrongLimb(record)) {
      refuse('format', 'body/isTakingOff', 'Nothing is on the wrong limb: say first which limb it is on, in side-answered.')
    }
    if (record.accepted !== null || bringsOwnPlan(body)) return
    if (body.withoutPlan === undefined)
      refuse('format', 'body/withoutPlan', 'No plan is accepted: accept one, or say in withoutPlan why it begins without.')
    if (!mayBeginWithoutPlan(actor.roles)) refuseRole('Beginning without a plan is a clinician’s: ask one.')
  },
}

/** An opening, a taking off or an adjustment brings its own plan; care is the accepted procedure again. */
function bringsOwnPlan(body: RunStartedBody): boolean {
  return ['opening', 'taking-off', 'adjustment'].includes(kindOfRun(body))
}
