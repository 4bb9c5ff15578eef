import type { EpisodeRecord } from '../../records/episode'
import { unattributedPrefix, unknownPatient, type PatientDetails } from '../../records/episode'
import { exampleId } from '../example-ids'
import { episodeKind } from '../kind'

export interface EpisodeOpenedBody {
  readonly patientId: string
  readonly place: string
  readonly zone: string
  readonly patient?: PatientDetails
}

/** A stay begins. */
export const episodeOpened = episodeKind<EpisodeOpenedBody>({
  nature: 'opening',
  right: 'add',
  open: (streamId, { at, actor, actorName, body }): EpisodeRecord => ({
    id: streamId,
    patientId: body.patientId,
    openedAt: at,
    place: body.place,
    zone: body.zone,
    patient: body.patient ?? unknownPatient,
    flags: [],
    injuries: {},
    rounds: [],
    ...(actorName.startsWith(unattributedPrefix) ? { unattributed: { actor, name: actorName } } : {}),
  }),
  example: { patientId: exampleId, place: 'Bay 1', zone: 'Etc/UTC' },
})
