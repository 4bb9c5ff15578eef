import type { EpisodeRecord } from '../../records/episode'
import type { PatientDetails } from '../../records/episode'
import { episodeKind } from '../kind'

/** What is known of who the patient is. */
export const patient = episodeKind<PatientDetails>({
  nature: 'replacing',
  right: 'add',
  bearsOnPlan: true,
  fold: (record, { body }): EpisodeRecord => ({ ...record, patient: body }),
  example: {
    name: 'Wenna Strood',
    isTemporary: false,
    born: '1988-03-02',
    number: 'TS-1',
    ageYears: 38,
    isAgeEstimated: false,
    sex: 'female',
    heightCm: 166,
    massKg: 62,
    isMassEstimated: true,
  },
})
