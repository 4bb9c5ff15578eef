import { hasFlag, type ClinicalCase } from '../../model/clinical-case'

/** One more holder when the patient is worked on as found. */
export function extraHolder(clinicalCase: ClinicalCase): number {
  return hasFlag(clinicalCase, 'cannot-be-moved') ? 1 : 0
}
