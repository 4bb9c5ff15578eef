import type { StockReservedBody } from '#contract/events/stock/stock-reserved'
import { availableOf } from '#contract/records/store'
import type { PlaceRules } from '../rules'
import { checkEnough, movementOf, requireItem } from './stock-moves'

export const rules: PlaceRules<StockReservedBody> = {
  async after({ stock }, event, transaction) {
    const { itemCode, count, caseId } = event.body
    const placeId = event.stream.id
    await requireItem(stock, itemCode, transaction)
    const lots = await stock.lotsOf(placeId, itemCode, transaction)
    const reserved = await stock.reservedOf(placeId, itemCode, transaction)
    const forOthers = reserved.filter((kept) => kept.caseId !== caseId).reduce((sum, kept) => sum + kept.count, 0)
    checkEnough(itemCode, availableOf({ lots, reserved: forOthers }, event.receivedAt.slice(0, 10)), count)
    await stock.setReservation(placeId, itemCode, caseId, count, transaction)
    await stock.addMovements([movementOf(event, { itemCode, delta: 0, caseId })], transaction)
  },
}
