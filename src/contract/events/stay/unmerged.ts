import { episodeKind } from '../kind'

export interface UnmergedBody {
  readonly reason: string
}

/** The last merge of this stay was wrong: it is again of whom it was before. What was done meanwhile stays. */
export const unmerged = episodeKind<UnmergedBody>({
  nature: 'replacing',
  right: 'move',
  bearsOnPlan: true,
  fold: (record, { at, actorName: by, body: { reason } }) => {
    const last = record.merges?.findLast((one) => !one.undone)
    if (!last) return record
    const merges = (record.merges ?? []).map((one) => (one === last ? { ...one, undone: { reason, at, by } } : one))
    return { ...record, ...last.before, merges }
  },
  example: { reason: 'another person of the same name' },
})
