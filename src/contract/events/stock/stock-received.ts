import type { StockLot } from '../../records/store'
import { exampleId } from '../example-ids'
import { placeKind } from '../kind'

export type StockReceivedBody = StockLot

/** What was received of a lot. */
export const stockReceived = placeKind<StockReceivedBody>({
  nature: 'additive',
  right: 'add',
  example: { lotId: exampleId, itemCode: 'padding-10', lot: 'L-7', expiresOn: '2027-03-31', count: 12 },
})
