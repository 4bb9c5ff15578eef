import type { Transaction } from 'sequelize'
import type { StockReceivedBody } from '#contract/events/stock/stock-received'
import type { StockLot } from '#contract/records/store'
import type { StockRepository } from '../../repositories/stock'
import { refuse } from '../refuse'
import type { PlaceRules } from '../rules'
import { movementOf, requireItem } from './stock-moves'

export const rules: PlaceRules<StockReceivedBody> = {
  async after({ stock }, event, transaction) {
    const { itemCode, count } = event.body
    await requireItem(stock, itemCode, transaction)
    const lotId = await receiveLot(stock, event.body, event.stream.id, transaction)
    await stock.addMovements([movementOf(event, { itemCode, delta: count, lotId })], transaction)
  },
}

/**
 * Adds what was received to its lot, or makes the lot. Two lots are one only when item, number (to the letter) and expiry are the same.
 * @returns the id of the lot
 * @throws ApiError 422 when the id belongs to a lot of another place, item, number or expiry
 */
async function receiveLot(stock: StockRepository, body: StockReceivedBody, placeId: string, transaction: Transaction): Promise<string> {
  const isSameLot = (kept: StockLot): boolean =>
    kept.itemCode === body.itemCode && kept.lot === body.lot && kept.expiresOn === body.expiresOn
  const named = await stock.findLot(body.lotId, transaction)
  if (named && (named.placeId !== placeId || !isSameLot(named))) {
    refuse(
      'format',
      'body/lotId',
      'This id belongs to another lot: give the new one its own id, or name its place, item, number and expiry as they are.',
    )
  }
  const known = named ?? (await stock.lotsOf(placeId, body.itemCode, transaction)).find(isSameLot)
  if (known) await stock.setLotCount(known.lotId, known.count + body.count, transaction)
  else await stock.addLot(body, placeId, transaction)
  return known?.lotId ?? body.lotId
}
