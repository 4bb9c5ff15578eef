import type { MergedBody } from '#contract/events/stay/merged'
import type { PatientDetails } from '#contract/records/episode'
import { refuse } from '../refuse'
import type { StayRules } from '../rules'

/** Who the patient of the other stay is, as it is known there. */
export const rules: StayRules<MergedBody> = {
  async complete(deps, { withEpisode, reason }, stay, transaction) {
    const other = await deps.streams.findEpisode(withEpisode, transaction)
    if (!other) return refuse('not-known', 'body/withEpisode', 'There is no such stay: look the patient up in the history.')
    if (other.record.patientId === stay.patientId)
      refuse('format', 'body/withEpisode', 'Both are of one patient already: there is nothing to merge.')
    const { patientId, patient } = other.record
    return { withEpisode, reason, into: { patientId, patient: completedBy(patient, stay.patient) } }
  },
}

/** Who somebody is, with what is known here alone: a weight that a plan was made with is not lost by a name. */
function completedBy(known: PatientDetails, here: PatientDetails): PatientDetails {
  return {
    ...known,
    born: known.born || here.born,
    number: known.number || here.number,
    sex: known.sex || here.sex,
    heightCm: known.heightCm ?? here.heightCm,
    ...(known.massKg === null ? { massKg: here.massKg, isMassEstimated: here.isMassEstimated } : {}),
    ...(known.ageYears === null ? { ageYears: here.ageYears, isAgeEstimated: here.isAgeEstimated } : {}),
  }
}
