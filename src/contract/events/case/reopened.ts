import type { CaseRecord } from '../../records/case'
import { caseKind } from '../kind'

export interface ReopenedBody {
  readonly reason: string
}

/** The case goes on after all: the patient is back, or its end was entered by mistake. */
export const reopened = caseKind<ReopenedBody>({
  nature: 'replacing',
  right: 'decide',
  mayFollowEnd: true,
  mayFollowRemoval: true,
  fold: (record, { at, actorName: by, body }): CaseRecord => {
    const { ended, ...rest } = record
    return ended ? { ...rest, endings: [...(record.endings ?? []), { ...ended, undone: { at, by, reason: body.reason } }] } : record
  },
  example: { reason: 'back from theatre with it on' },
})
