import { hasFlag, type ClinicalCase } from '../../model/clinical-case'

/** One more holder when the patient is worked on as found, and one for what an old device held while it is changed. */
export function extraHolder(clinicalCase: ClinicalCase): number {
  return (hasFlag(clinicalCase, 'cannot-be-moved') ? 1 : 0) + (clinicalCase.replaces === undefined ? 0 : 1)
}
