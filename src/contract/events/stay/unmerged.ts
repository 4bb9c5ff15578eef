import type { EpisodeRecord } from '../../records/episode'
import { episodeKind } from '../kind'

export interface UnmergedBody {
  readonly reason: string
}

/** The last merge of this stay was wrong: it is again of whom it was before. What was done meanwhile stays. */
export const unmerged = episodeKind<UnmergedBody>({
  nature: 'replacing',
  right: 'move',
  bearsOnPlan: true,
  fold: (record, { at, actorName: by, body: { reason } }): EpisodeRecord => {
    const last = record.merges?.findLast((merge) => !merge.undone)
    if (!last) return record
    const merges = (record.merges ?? []).map((merge) => (merge === last ? { ...merge, undone: { reason, at, by } } : merge))
    return { ...record, ...last.before, merges }
  },
  example: { reason: 'another person of the same name' },
})
