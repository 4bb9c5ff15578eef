import type { CaseRecord } from '../../records/case'
import type { CallEntry } from '#core/model/response'
import { caseKind } from '../kind'

/** Somebody was called about what stands, and was reached or not: reached, a named senior was told. */
export const call = caseKind<CallEntry>({
  nature: 'additive',
  right: 'add',
  mayFollowEnd: true,
  mayFollowRemoval: true,
  fold: (record, { at, actorName: by, body }): CaseRecord => ({ ...record, calls: [...(record.calls ?? []), { ...body, at, by }] }),
  example: { to: 'Sorrel Vane, orthopaedic registrar', isReached: true, how: 'telephone', said: 'Coming; split it down to the skin now.' },
})
