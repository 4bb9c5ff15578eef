import type { CaseRecord } from '../../records/case'
import type { ResponseEntry } from '#core/model/response'
import { caseKind } from '../kind'

/** An action about what stands was done, or was not, and why. */
export const response = caseKind<ResponseEntry>({
  nature: 'additive',
  right: 'add',
  mayFollowEnd: true,
  mayFollowRemoval: true,
  fold: (record, { at, actorName: by, body }): CaseRecord => ({ ...record, responses: [...(record.responses ?? []), { ...body, at, by }] }),
  example: { action: 'open-to-skin', outcome: 'done', why: '' },
})
