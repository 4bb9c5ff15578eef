import type { StockReleasedBody } from '#contract/events/stock/stock-released'
import type { PlaceRules } from '../rules'
import { movementOf } from './stock-moves'

export const rules: PlaceRules<StockReleasedBody> = {
  async after({ stock }, event, transaction) {
    const { caseId } = event.body
    for (const { itemCode } of await stock.reservationsOfCase(event.stream.id, caseId, transaction)) {
      await stock.setReservation(event.stream.id, itemCode, caseId, 0, transaction)
      await stock.addMovements([movementOf(event, { itemCode, delta: 0, caseId })], transaction)
    }
  },
}
