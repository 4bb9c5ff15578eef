import { findEventKind } from '#contract/events/index'
import type { CaseRecord } from '#contract/records/case'
import { hasRight } from '#contract/rights'
import { ApiError } from '../ground/api-error'
import type { Actor } from '../ledger/writing'
import { findCaseRules } from './find-rules'
import { refuseRole } from './refuse'
import type { Claim } from './rules'

/**
 * Refuses what cannot be true of a case, judged by the case as it stands and by nothing that could fail: planning never decides whether
 * something is kept.
 * @param record the case as locked
 * @returns whether it belongs to the time before the device came off, and so counts as late
 * @throws ApiError 403, 409 `removed` or `ended`, or 422
 */
export function checkCaseClaim(claim: Claim<object>, record: CaseRecord, actor: Actor): { readonly isBeforeRemoval: boolean } {
  findCaseRules(claim.kind)?.check?.(claim, record, actor)
  checkEnded(claim, record)
  if (findEventKind(claim.kind)?.isClinicians && record.accepted !== null && !hasRight(actor.roles, 'decide')) {
    refuseRole('The plan is accepted: options, orders and the device are a clinician’s from then on. Ask one.')
  }
  return { isBeforeRemoval: checkRemoval(claim, record) }
}

function checkEnded(claim: Claim<object>, record: CaseRecord): void {
  if (!record.ended || findEventKind(claim.kind)?.mayFollowEnd) return
  if (claim.kind !== 'ended' && Date.parse(claim.at) <= Date.parse(record.ended.at)) return
  throw new ApiError(409, 'ended', 'This case has ended here: reopen it first, or open a new case.')
}

function checkRemoval(claim: Claim<object>, record: CaseRecord): boolean {
  if (record.removedAt === null || findEventKind(claim.kind)?.mayFollowRemoval) return false
  const isBefore = claim.kind !== 'removed' && Date.parse(claim.at) <= Date.parse(record.removedAt)
  if (isBefore) return true
  throw new ApiError(
    409,
    'removed',
    'The device of this case is off: enter a round of the limb, or a note; what is to be put on now is a new case.',
  )
}
