import { isOrdered } from '../model/orders'
import { hasFlag, type ClinicalCase } from '../model/clinical-case'
import type { Held, Posture } from '../model/danger'
import { watchedOf } from '../model/observation'
import { atRiskReason } from '../planner/schedule-rounds'
import { limbPart } from '../rounds/look'
import { injuredLimb } from '../rounds/missing-items'
import { findTechnique } from '../techniques/registry'
import type { Situation } from './what-now'

/** From this age on vital signs and resuscitation are an adult's. */
const adultFromYears = 12

/** What a technique's device holds; null for a technique that is not known. */
export function heldBy(technique: string): Held | null {
  return findTechnique(technique)?.onUrgent.holds ?? null
}

/** Whether a case is on the at-risk list by what is known of it, or by what is put on. */
export function isCaseAtRisk(clinicalCase: ClinicalCase): boolean {
  return atRiskReason(clinicalCase) !== null || findTechnique(clinicalCase.technique)?.isAtRisk?.(clinicalCase) === true
}

/** What of the moment decides what is done: the rest is the case's. */
export interface Moment {
  readonly isOn: boolean
  readonly people: number
  readonly posture: Posture
  /** It was wetted or has set less than an hour ago. */
  readonly isWarm: boolean
  /** kg; null where none is planned. */
  readonly pullKg: number | null
  /** It is on another limb than the hurt one: which side, or where nobody can say. */
  readonly wornBy?: string
}

/** How many are there where nobody says. */
export const usualPeople = 2

/** The situation that a danger meets: what is on and what it holds, who is there, how the patient is. */
export function situationOf(clinicalCase: ClinicalCase, { isOn, people, posture, isWarm, pullKg, wornBy }: Moment): Situation {
  const holds = heldBy(clinicalCase.technique) ?? 'break'
  const limb = injuredLimb(clinicalCase)
  const side = wornBy === undefined ? limb?.side : wornBy === 'left' || wornBy === 'right' ? wornBy : undefined
  const isOfLimb = holds === 'break' || holds === 'pull'
  const watched = watchedOf(clinicalCase.injury.region)
  const { noResuscitation } = clinicalCase.orders
  return {
    on: isOn ? { holds, part: limb && side && isOfLimb ? limbPart(limb.limb, side) : null, isWarm, pullKg } : null,
    people,
    posture,
    column: watched === 'neck' || watched === 'spine' ? watched : null,
    isStiff: hasFlag(clinicalCase, 'stiff-spine') || hasFlag(clinicalCase, 'kyphosis'),
    isChild: (clinicalCase.patient.ageYears ?? adultFromYears) < adultFromYears,
    ...(noResuscitation && isOrdered(noResuscitation) ? { noResuscitation: noResuscitation.by } : {}),
  }
}
