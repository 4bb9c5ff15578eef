import type { Transaction } from 'sequelize'
import { ApiError } from '../../ground/api-error'
import type { MovementRow, StockRepository } from '../../repositories/stock'
import { refuse } from '../refuse'
import type { Kept } from '../rules'

/** A line of the store's book for what an event moved. @param delta pieces that came or went; 0 for what is only set aside */
export function movementOf(event: Kept<object>, line: Pick<MovementRow, 'itemCode' | 'delta'> & Partial<MovementRow>): MovementRow {
  return {
    eventId: event.id,
    placeId: event.stream.id,
    lotId: null,
    kind: event.kind.replace('stock-', ''),
    caseId: null,
    actorName: event.actorName,
    at: new Date(event.receivedAt),
    ...line,
  }
}

/** Refuses an item that is not in the catalogue. @throws ApiError 422 */
export async function requireItem(stock: StockRepository, itemCode: string, transaction: Transaction): Promise<void> {
  if ((await stock.itemCodes(transaction)).has(itemCode)) return
  refuse('format', 'body/itemCode', `The item "${itemCode}" is not in the catalogue: choose one that is.`)
}

/** Refuses more than there is. @throws ApiError 409 `out-of-stock` */
export function checkEnough(itemCode: string, available: number, wanted: number): void {
  if (available >= wanted) return
  throw new ApiError(
    409,
    'out-of-stock',
    `${available <= 0 ? 'None' : `Only ${available}`} of ${itemCode} ${available === 1 ? 'is' : 'are'} free here: take another place or item.`,
  )
}
