import { catalogue } from '#core/catalogue/catalogue'
import type { Problem } from '#core/model/problem'
import { findTechnique } from '#core/techniques/registry'
import { refuseOptions } from '#core/planner/resolve-options'
import { itemsAtHand, refuseOverrule } from '#core/planner/usable-overrules'
import { protocolOf, type CaseRecord } from '#contract/records/case'
import type { EndingBody } from '#contract/records/ending'
import type { RunStartedBody } from '#contract/records/run'
import { kindOfRun } from '#contract/records/run-kind'
import { slipMs } from '#contract/records/side'
import { findEventKind } from '#contract/events/index'
import type { TroubleEndedBody } from '#contract/events/trouble-ended'
import type { TakenOffBody } from '#contract/events/taken-off'
import { isOnWrongLimb, sideAnswerOf } from '#contract/views/side-state'
import { onSinceMs } from '#contract/views/situation-of-case'
import { hasRight, mayBeginWithoutPlan, mayChangeSide } from '#contract/rights'
import { ApiError, invalidInput } from '../ground/api-error'
import type { Actor } from './writing'

// What an event of a case may claim, judged against the case as it stands and nothing that could fail: planning never decides
// whether something is kept.

export interface CaseClaim {
  readonly kind: string
  readonly body: unknown
  readonly at: string
}

/**
 * Refuses what cannot be true of a case.
 * @param record the case as locked
 * @returns whether it belongs to the time before the device came off, and so counts as late
 * @throws ApiError 403, 409 `removed` or `ended`, or 422
 */
export function checkCaseClaim(claim: CaseClaim, record: CaseRecord, actor: Actor): { readonly isBeforeRemoval: boolean } {
  switch (claim.kind) {
    case 'technique':
    case 'plan-dropped':
      checkNotBegun(claim, record)
      checkTechnique(claim, record, actor)
      break
    case 'options':
      refuseAll(
        refuseOptions(findTechnique(record.technique), (claim.body as { options: CaseRecord['options'] }).options, protocolOf(record)),
      )
      break
    case 'overrule':
      checkFloor(claim)
      checkOverrule(claim, record)
      break
    case 'run-started':
      checkBeginning(claim, record, actor)
      break
    case 'side-changed':
      if (!mayChangeSide(actor.roles, record.accepted !== null))
        throw new ApiError(403, 'no-right', 'Side, region and pattern were read aloud: they are a clinician’s to change. Ask one.')
      break
    case 'side-answer-undone':
      checkSlip(claim, record)
      break
    case 'trouble-ended':
      checkTroubleSlip(claim, record)
      break
    case 'taken-off':
      checkTakenOff(claim, record)
      break
    case 'ended':
      checkEnding(claim, record)
      break
    case 'reopened':
      if (!record.ended) refuseAll([{ code: 'format', path: 'kind', message: 'The case has not ended: it goes on as it is.' }])
      break
  }
  checkEnded(claim, record)
  if (findEventKind(claim.kind)?.isClinicians && record.accepted !== null && !hasRight(actor.roles, 'decide')) {
    throw new ApiError(403, 'no-right', 'The plan is accepted: options, orders and the device are a clinician’s from then on. Ask one.')
  }
  return { isBeforeRemoval: checkRemoval(claim, record) }
}

/** An application begins from an accepted plan, or without one by a clinician who says why. */
function checkBeginning(claim: CaseClaim, record: CaseRecord, actor: Actor): void {
  const body = claim.body as RunStartedBody
  if (body.care && record.appliedAt === null)
    refuseAll([{ code: 'format', path: 'body/care', message: 'Nothing is on yet: apply it first, then its care is done again.' }])
  if (body.isOpenNow && onSinceMs(record) === null)
    refuseAll([{ code: 'format', path: 'body/isOpenNow', message: 'Nothing is on yet: there is nothing to open.' }])
  if (body.isTakingOff && !isOnWrongLimb(record))
    refuseAll([
      {
        code: 'format',
        path: 'body/isTakingOff',
        message: 'Nothing is on the wrong limb: say first which limb it is on, in side-answered.',
      },
    ])
  if (record.accepted !== null || isOwnPlan(body)) return
  if (body.withoutPlan === undefined) {
    refuseAll([
      {
        code: 'format',
        path: 'body/withoutPlan',
        message: 'No plan is accepted: accept one, or say in withoutPlan why it begins without.',
      },
    ])
  }
  if (!mayBeginWithoutPlan(actor.roles)) throw new ApiError(403, 'no-right', 'Beginning without a plan is a clinician’s: ask one.')
}

/** An opening, a taking off or an adjustment brings its own plan; care is the accepted procedure again. */
function isOwnPlan(body: RunStartedBody): boolean {
  return ['opening', 'taking-off', 'adjustment'].includes(kindOfRun(body))
}

/** A slip is taken back within seconds by the times that both were pressed; later a new look says where it is. */
function checkSlip(claim: CaseClaim, record: CaseRecord): void {
  const slip = sideAnswerOf(record)
  if (!slip) return refuseAll([{ code: 'format', path: 'kind', message: 'Nobody has said which limb it is on: there is nothing to undo.' }])
  if (Date.parse(claim.at) - Date.parse(slip.at) <= slipMs + slipGraceMs) return
  refuseAll([
    {
      code: 'out-of-range',
      path: 'at',
      message: `The answer is older than ${slipMs / 1000} seconds and stands: report the wrong side again, and look again.`,
    },
  ])
}

/** A trouble leaves nothing standing as a slip only where it was taken back at once; later a person ends it with a word, or a round does. */
function checkTroubleSlip(claim: CaseClaim, record: CaseRecord): void {
  const { isSlip, troubleEvent } = claim.body as TroubleEndedBody
  if (!isSlip) return
  const trouble = record.troubles?.find((one) => one.id === troubleEvent)
  if (trouble && Date.parse(claim.at) - Date.parse(trouble.at) <= slipMs + slipGraceMs) return
  refuseAll([
    {
      code: 'out-of-range',
      path: 'body/isSlip',
      message: `It was reported more than ${slipMs / 1000} seconds ago and is no slip any more: end it with a word, or look again in a round.`,
    },
  ])
}

/** A press in the last second of ten is written a moment later. */
const slipGraceMs = 2_000

function checkTakenOff(claim: CaseClaim, record: CaseRecord): void {
  const { runId } = claim.body as TakenOffBody
  const run = record.runs.find((one) => one.id === runId)
  if (run && kindOfRun(run) === 'taking-off') return
  refuseAll([{ code: 'format', path: 'body/runId', message: 'There is no run of this case that takes it off: begin one first.' }])
}

function checkNotBegun(claim: CaseClaim, record: CaseRecord): void {
  if (record.runs.length === 0) return
  refuseAll([
    {
      code: 'format',
      path: claim.kind === 'technique' ? 'body/technique' : 'kind',
      message: 'The application has begun: finish it, or open a new case for what is to be done instead.',
    },
  ])
}

/** Another technique drops overrules and acceptance, so that only who may make them may do it then. */
function checkTechnique(claim: CaseClaim, record: CaseRecord, actor: Actor): void {
  if (claim.kind !== 'technique' || hasRight(actor.roles, 'decide')) return
  if (record.accepted === null && record.overrules.length === 0) return
  throw new ApiError(
    403,
    'no-right',
    `A clinician has ${record.accepted ? 'accepted the plan' : 'overruled a figure'} of this case, and another technique would drop that: ask a clinician.`,
  )
}

/** Floors that are stops wherever they stand. */
const neverSetAside: readonly string[] = ['front-gap', 'hot-water']

function checkFloor(claim: CaseClaim): void {
  const { caution } = claim.body as { caution?: string }
  if (caution === undefined || !neverSetAside.includes(caution)) return
  refuseAll([
    {
      code: 'out-of-range',
      path: 'body/caution',
      message: `${caution} is a floor of safety and cannot be set aside: change what raises it.`,
    },
  ])
}

function checkOverrule(claim: CaseClaim, record: CaseRecord): void {
  const technique = findTechnique(record.technique)
  if (!technique) return
  const items = itemsAtHand(record.store?.items ?? 'catalogue', catalogue.items)
  const problem = refuseOverrule(technique, claim.body as { decision?: string; value?: never }, items)
  refuseAll(problem ? [{ ...problem, path: 'body/value' }] : [])
}

/** Only what was never put on is voided; only who wears it goes home with it on. */
function checkEnding(claim: CaseClaim, record: CaseRecord): void {
  const { how } = claim.body as EndingBody
  if (how === 'voided' && (record.appliedAt !== null || record.runs.length > 0)) {
    refuseAll([
      {
        code: 'format',
        path: 'body/how',
        message: 'Something was put on in this case, so it happened: end it as it ended, and say in a note what was wrong.',
      },
    ])
  }
  if (how === 'home' && (record.appliedAt === null || record.removedAt !== null)) {
    refuseAll([{ code: 'format', path: 'body/how', message: 'Nothing of this case is on: choose how else it ended.' }])
  }
}

function checkEnded(claim: CaseClaim, record: CaseRecord): void {
  if (!record.ended || findEventKind(claim.kind)?.mayFollowEnd) return
  if (claim.kind !== 'ended' && Date.parse(claim.at) <= Date.parse(record.ended.at)) return
  throw new ApiError(409, 'ended', 'This case has ended here: reopen it first, or open a new case.')
}

function checkRemoval(claim: CaseClaim, record: CaseRecord): boolean {
  if (record.removedAt === null || findEventKind(claim.kind)?.mayFollowRemoval) return false
  const isBefore = claim.kind !== 'removed' && Date.parse(claim.at) <= Date.parse(record.removedAt)
  if (isBefore) return true
  throw new ApiError(
    409,
    'removed',
    'The device of this case is off: enter a round of the limb, or a note; what is to be put on now is a new case.',
  )
}

function refuseAll(problems: readonly Problem[]): void {
  if (problems.length > 0) throw invalidInput(problems)
}
