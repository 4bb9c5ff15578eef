import type { CaseRecord } from '../../records/case'
import { caseKind } from '../kind'

/** Whoever writes it looks after the patient from now on. */
export const takenOver = caseKind<object>({
  nature: 'additive',
  right: 'add',
  mayFollowRemoval: true,
  fold: (record, { at, actorName: by }): CaseRecord => ({ ...record, takenOver: { at, by } }),
  example: {},
})
