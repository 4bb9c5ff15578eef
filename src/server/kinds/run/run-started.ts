import type { RunStartedBody } from '#contract/records/run'
import { findTechnique } from '#core/techniques/registry'
import type { CaseRecord } from '#contract/records/case'
import { hasOwnPlan, kindOfRun } from '#contract/records/run-kind'
import { mayBeginWithoutPlan } from '#contract/rights'
import { isOnWrongLimb } from '#ward/case/side-state'
import { openApplication } from '#ward/case/work-in-hand'
import { ApiError } from '../../ground/api-error'
import { onSinceMs } from '#ward/case/situation-of-case'
import { refuse, refuseRole } from '../refuse'
import type { CaseRules } from '../rules'

/** An application begins from an accepted plan, or without one by a clinician who says why. */
export const rules: CaseRules<RunStartedBody> = {
  check({ body, at, isQueued }, record, actor) {
    if (!isQueued) checkAlone(body, record, Date.parse(at))
    if (body.care && record.appliedAt === null)
      refuse('format', 'body/care', 'Nothing is on yet: apply it first, then its care is done again.')
    if (body.isOpenNow && onSinceMs(record) === null) refuse('format', 'body/isOpenNow', 'Nothing is on yet: there is nothing to open.')
    if (body.isAgain) checkAgain(record, body)
    if (body.isTakingOff && !isOnWrongLimb(record)) {
      refuse('format', 'body/isTakingOff', 'Nothing is on the wrong limb: say first which limb it is on, in side-answered.')
    }
    if (record.accepted !== null || hasOwnPlan(body)) return
    if (body.withoutPlan === undefined)
      refuse('format', 'body/withoutPlan', 'No plan is accepted: accept one, or say in withoutPlan why it begins without.')
    if (!mayBeginWithoutPlan(actor.roles)) refuseRole('Beginning without a plan is a clinician’s: ask one.')
  },
}

/** One application at a time: what frees or adjusts is never held up by it, and what was begun without a line was begun. */
function checkAlone(body: RunStartedBody, record: CaseRecord, atMs: number): void {
  if (kindOfRun(body) !== 'application') return
  const open = openApplication(record, atMs)
  if (!open || open.id === body.runId) return
  const by = open.driver?.by ?? open.by
  throw new ApiError(409, 'run-open', `${by} began to apply it at ${open.startedAt.slice(11, 16)} UTC: join that run, on Apply.`, {
    current: { runId: open.id, by, startedAt: open.startedAt },
  })
}

/** Put on again is what is on, comes off and goes on, with its short plan. */
function checkAgain({ technique, appliedAt, removedAt }: CaseRecord, { plan }: RunStartedBody): void {
  const device = findTechnique(technique)
  if (!device?.again)
    refuse('format', 'body/isAgain', `A ${(device?.name ?? technique).toLowerCase()} is never put on again: plan a new one.`)
  if (appliedAt === null || removedAt !== null)
    refuse('format', 'body/isAgain', 'It is not on: apply it first, then it can be put on again.')
  if (!plan) refuse('format', 'body/plan', 'Its short plan is missing: begin it from Watch, with Put it on again.')
}
