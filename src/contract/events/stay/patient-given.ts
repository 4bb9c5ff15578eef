import type { EpisodeRecord } from '../../records/episode'
import { withSide } from '../../records/crew-hand-over'
import { episodeKind } from '../kind'
import { withHandOver } from './with-hand-over'

export interface PatientGivenBody {
  /** To whom, or where; empty where nobody said. */
  readonly to: string
  /** What was told: the receiver's card, line by line. */
  readonly told: readonly string[]
}

/** A crew gives the patient over: theirs until whoever goes on says that they have the patient. */
export const patientGiven = episodeKind<PatientGivenBody>({
  nature: 'additive',
  right: 'add',
  words: ({ to }) => `I give over${to ? ` to ${to}` : ''}`,
  fold: (record, { at, actorName: by, body: { to, told } }): EpisodeRecord =>
    withHandOver(record, withSide(record.crewHandOver, { given: { at, by, to, told } }), at),
  example: { to: 'Otto Marlowe-Pike, Resus 2', told: ['LEFT thigh: frame traction, on since 14:05; pull 7 kg'] },
})
