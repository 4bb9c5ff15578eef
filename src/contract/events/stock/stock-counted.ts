import { exampleId } from '../example-ids'
import { placeKind } from '../kind'

export interface StockCountedBody {
  readonly lotId: string
  readonly count: number
  readonly note?: string
}

/** What was counted of a lot. */
export const stockCounted = placeKind<StockCountedBody>({
  nature: 'additive',
  right: 'add',
  example: { lotId: exampleId, count: 4, note: '' },
})
