import type { CaseRecord } from '../../records/case'
import type { CaseStore } from '../../records/case'
import { exampleId } from '../example-ids'
import { caseKind } from '../kind'

/** What a place held where this case takes from. */
export const store = caseKind<CaseStore>({
  nature: 'replacing',
  right: 'add',
  names: ({ placeId }) => [placeId],
  isLong: true,
  bearsOnPlan: true,
  fold: (record, { body }): CaseRecord => ({ ...record, store: body }),
  example: { placeId: exampleId, placeName: 'Plaster room', items: [{ item: 'padding', widthCm: 10, count: 4 }] },
})
