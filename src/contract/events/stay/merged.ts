import type { EpisodeRecord } from '../../records/episode'
import type { PatientDetails } from '../../records/episode'
import { exampleId } from '../example-ids'
import { episodeKind } from '../kind'

export interface MergedBody {
  /** The stay of the patient that this one is. */
  readonly withEpisode: string
  readonly reason: string
  /** Who that is, as it is known there; added by the server. */
  readonly into?: { readonly patientId: string; readonly patient: PatientDetails }
}

/** Two records are of one patient: this stay becomes the other's, who it was before stays in it. */
export const merged = episodeKind<MergedBody>({
  nature: 'replacing',
  right: 'move',
  names: ({ withEpisode }) => [withEpisode],
  copiesFrom: ({ withEpisode }) => [withEpisode],
  bearsOnPlan: true,
  isCompletedByServer: true,
  asSent: ({ into: _, ...sent }) => sent,
  fold: (record, { at, actorName: by, body: { withEpisode, reason, into } }): EpisodeRecord =>
    into
      ? {
          ...record,
          ...into,
          merges: [
            ...(record.merges ?? []),
            { withEpisode, reason, at, by, before: { patientId: record.patientId, patient: record.patient } },
          ],
        }
      : record,
  example: { withEpisode: exampleId, reason: 'brought in unnamed, wristband read later' },
})
