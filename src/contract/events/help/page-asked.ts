import type { CaseRecord } from '../../records/case'
import { caseKind } from '../kind'

/** Somebody pressed *Call*: the chain is paged at once, and pressed again the next in it. */
export const pageAsked = caseKind<Readonly<Record<string, never>>>({
  nature: 'additive',
  right: 'add',
  mayFollowRemoval: true,
  fold: (record, { at, actorName: by }): CaseRecord => ({
    ...record,
    pageAsks: [...(record.pageAsks ?? []), { at, by, pages: record.pages?.length ?? 0 }],
  }),
  example: {},
})
