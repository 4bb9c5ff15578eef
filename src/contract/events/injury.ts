import { unknownInjury, type InjuryRecord } from '../records/episode'
import { exampleInjuryId } from './example-ids'
import { episodeKind } from './kind'

export interface InjuryBody {
  readonly injuryId: string
  readonly injury: InjuryRecord
  /** Why side, region or pattern change after they were read aloud. */
  readonly reason?: string
}

/** One injury as it is known. */
export const injury = episodeKind<InjuryBody>({
  nature: 'replacing',
  right: 'add',
  bearsOnPlan: true,
  fold: (record, { body }) => ({ ...record, injuries: { ...record.injuries, [body.injuryId]: body.injury } }),
  example: {
    injuryId: exampleInjuryId,
    injury: { ...unknownInjury, region: 'ankle', side: 'left', pattern: 'malleolar-fracture', flags: ['fresh'], levelCm: 8 },
  },
})
