import type { EpisodeRecord } from '../../records/episode'
import type { PatientFlag } from '#core/model/vocabulary'
import { episodeKind } from '../kind'

export interface FlagsBody {
  readonly flags: readonly PatientFlag[]
}

/** What is to be known of the patient. */
export const flags = episodeKind<FlagsBody>({
  nature: 'replacing',
  right: 'add',
  bearsOnPlan: true,
  fold: (record, { body }): EpisodeRecord => ({ ...record, flags: body.flags }),
  example: { flags: ['diabetes', 'fragile-skin'] },
})
