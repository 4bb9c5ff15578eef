import type { PatientDetails } from '#contract/records/episode'
import { ageFromBirth } from '#ward/case/age-from-birth'
import { refuse } from '../refuse'
import type { StayRules } from '../rules'

/** Nobody is born tomorrow, nor on a day that there is not. */
export const rules: StayRules<PatientDetails> = {
  check({ body }, { stay, nowMs }) {
    const age = ageFromBirth(body.born, new Date(nowMs).toISOString(), stay.zone)
    if (age && 'problem' in age) refuse('format', 'body/born', age.problem)
  },
}
