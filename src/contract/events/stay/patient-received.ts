import type { EpisodeRecord } from '../../records/episode'
import { withSide } from '../../records/crew-hand-over'
import { episodeKind } from '../kind'
import { withHandOver } from './with-hand-over'

export interface PatientReceivedBody {
  /** What they were told, or read: the receiver's card, line by line. */
  readonly told: readonly string[]
  /** Nobody of the crew was there any more. */
  readonly withoutWords?: true
}

/** Whoever goes on says that they have the patient. */
export const patientReceived = episodeKind<PatientReceivedBody>({
  nature: 'additive',
  right: 'add',
  words: ({ withoutWords }) => `I have the patient${withoutWords ? ', taken without words: the crew had gone' : ''}`,
  fold: (record, { at, actorName: by, body: { told, withoutWords } }): EpisodeRecord =>
    withHandOver(record, withSide(record.crewHandOver, { received: { at, by, told, ...(withoutWords ? { withoutWords } : {}) } }), at),
  example: { told: ['LEFT thigh: frame traction, on since 14:05; pull 7 kg'] },
})
