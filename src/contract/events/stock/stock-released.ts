import { exampleCaseId } from '../example-ids'
import { placeKind } from '../kind'

export interface StockReleasedBody {
  readonly caseId: string
}

/** What was set aside for a case is let go of. */
export const stockReleased = placeKind<StockReleasedBody>({
  nature: 'additive',
  right: 'add',
  names: ({ caseId }) => [caseId],
  example: { caseId: exampleCaseId },
})
