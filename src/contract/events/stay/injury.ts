import type { EpisodeRecord } from '../../records/episode'
import { isColumnRegion } from '#core/model/vocabulary'
import { unknownInjury, type InjuryRecord } from '../../records/episode'
import { isOtherLimb, isOtherPlace, isUnderWay, placeWords } from '../../records/side-change'
import { exampleInjuryId } from '../example-ids'
import { episodeKind } from '../kind'
import type { SideChangedBody } from '../side/side-changed'

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
  isCompletedByServer: true,
  mayBeOfCase: ({ reason }) => reason !== undefined,
  // Another side or limb after work on the old one began: what was accepted ends and what runs is held, on every device of this injury.
  ofCase: (stay, { body: { injuryId, injury, reason } }, record) => {
    const before = stay.injuries[injuryId]
    if (record.injuryId !== injuryId || reason === undefined || !before || !isOtherPlace(before, injury) || !isUnderWay(record)) return null
    const [from, to] = [placeWords(before), placeWords(injury)]
    return { kind: 'side-changed', body: { from, to, reason, isOtherLimb: isOtherLimb(before, injury) } satisfies SideChangedBody }
  },
  fold: (record, { body: { injuryId, injury: said } }): EpisodeRecord => {
    // An older outbox may hold a side that was set before the region became one that has none.
    const injury = said.region !== null && isColumnRegion(said.region) ? { ...said, side: null } : said
    const before = record.injuries[injuryId]
    const isElsewhere = before !== undefined && (before.region !== injury.region || before.side !== injury.side)
    const { asked, ...rest } = record
    // What was asked of the other leg says nothing of this one.
    const kept = isElsewhere ? asked?.filter((answered) => answered.injuryId !== injuryId) : asked
    return { ...rest, injuries: { ...record.injuries, [injuryId]: injury }, ...(kept ? { asked: kept } : {}) }
  },
  example: {
    injuryId: exampleInjuryId,
    injury: { ...unknownInjury, region: 'ankle', side: 'left', pattern: 'malleolar-fracture', flags: ['fresh'], levelCm: 8 },
  },
})
