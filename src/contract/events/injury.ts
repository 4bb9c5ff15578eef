import { isColumnRegion } from '#core/model/vocabulary'
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
  fold: (record, { body: { injuryId, injury: said } }) => {
    // An older outbox may hold a side that was set before the region became one that has none.
    const injury = said.region !== null && isColumnRegion(said.region) ? { ...said, side: null } : said
    const before = record.injuries[injuryId]
    const isElsewhere = before !== undefined && (before.region !== injury.region || before.side !== injury.side)
    const { asked, ...rest } = record
    // What was asked of the other leg says nothing of this one.
    const kept = isElsewhere ? asked?.filter((one) => one.injuryId !== injuryId) : asked
    return { ...rest, injuries: { ...record.injuries, [injuryId]: injury }, ...(kept ? { asked: kept } : {}) }
  },
  example: {
    injuryId: exampleInjuryId,
    injury: { ...unknownInjury, region: 'ankle', side: 'left', pattern: 'malleolar-fracture', flags: ['fresh'], levelCm: 8 },
  },
})
