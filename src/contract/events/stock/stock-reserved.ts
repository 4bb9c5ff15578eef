import { exampleCaseId } from '../example-ids'
import { placeKind } from '../kind'

export interface StockReservedBody {
  readonly itemCode: string
  readonly count: number
  readonly caseId: string
}

/** Stock is set aside for a case. */
export const stockReserved = placeKind<StockReservedBody>({
  nature: 'additive',
  right: 'add',
  names: ({ caseId }) => [caseId],
  example: { itemCode: 'padding-10', count: 1, caseId: exampleCaseId },
})
