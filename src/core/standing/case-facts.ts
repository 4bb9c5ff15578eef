import type { ClinicalCase } from '../model/clinical-case'
import type { DeviceKind } from '../model/finding'
import { atRiskReason } from '../planner/schedule-rounds'
import { findTechnique } from '../techniques/registry'

/** What a technique puts on, as far as it decides what is opened or eased first; null for a technique that is not known. */
export function standingDeviceOf(technique: string): DeviceKind | null {
  return findTechnique(technique)?.onUrgent.device ?? null
}

/** Whether a case is on the at-risk list by what is known of it, or by what is put on (SAFETY, Rounds). */
export function isCaseAtRisk(clinicalCase: ClinicalCase): boolean {
  return atRiskReason(clinicalCase) !== null || findTechnique(clinicalCase.technique)?.isAtRisk?.(clinicalCase) === true
}
