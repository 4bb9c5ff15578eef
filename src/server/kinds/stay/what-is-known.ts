import type { CaseRecord } from '#contract/records/case'
import { isIdentityRead } from '#ward/case/done-with-role'
import { hasRight, mayChangeSide } from '#contract/rights'
import type { Actor } from '../../ledger/writing'
import { refuse, refuseRole } from '../refuse'

// Once a plan is accepted, what it is of is a clinician's to change; adding a flag is anybody's who may add.

/** Refuses another side, region or pattern than was read aloud, unless a clinician says why. @param bound cases of the injury that still go on */
export function checkReadAloud(bound: readonly CaseRecord[], reason: string | undefined, actor: Actor): void {
  if (!bound.some(isIdentityRead)) return
  if (!bound.every((record) => mayChangeSide(actor.roles, record.accepted !== null)))
    refuseRole('Side, region and pattern were read aloud: they are a clinician’s to change. Ask one.')
  if (reason !== undefined) return
  refuse(
    'missing',
    'body/reason',
    'Side, region and pattern were read aloud already: say in reason why they change, and read them aloud again.',
  )
}

/** Refuses a change that only a clinician makes once a plan is accepted. */
export function checkAccepted(bound: readonly CaseRecord[], actor: Actor): void {
  if (hasRight(actor.roles, 'decide') || bound.every((record) => record.accepted === null)) return
  refuseRole('The plan is accepted: flags taken away, side, region and pattern are a clinician’s from then on. Ask one.')
}
