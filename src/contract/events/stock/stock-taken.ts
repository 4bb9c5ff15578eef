import { exampleCaseId } from '../example-ids'
import { placeKind } from '../kind'

export interface StockTakenBody {
  readonly itemCode: string
  readonly count: number
  readonly caseId?: string
  readonly note?: string
}

/** Stock was taken, for a case or not. */
export const stockTaken = placeKind<StockTakenBody>({
  nature: 'additive',
  right: 'add',
  names: ({ caseId }) => [caseId],
  example: { itemCode: 'padding-10', count: 1, caseId: exampleCaseId, note: '' },
})
