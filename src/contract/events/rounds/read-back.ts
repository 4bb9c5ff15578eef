import type { CaseRecord } from '../../records/case'
import { caseKind } from '../kind'

export interface ReadBackBody {
  readonly what: string
  readonly orderedBy: string
}

/** An order that was said back to who gave it. */
export const readBack = caseKind<ReadBackBody>({
  nature: 'additive',
  right: 'add',
  fold: (record, { at, actorName: by, body }): CaseRecord => ({
    ...record,
    readBacks: [...(record.readBacks ?? []), { ...body, at, by }],
  }),
  example: { what: 'Open the cast now', orderedBy: 'Merryn Sale' },
})
