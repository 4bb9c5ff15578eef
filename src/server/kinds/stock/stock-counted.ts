import type { StockCountedBody } from '#contract/events/stock/stock-counted'
import { ApiError } from '../../ground/api-error'
import type { PlaceRules } from '../rules'
import { movementOf } from './stock-moves'

export const rules: PlaceRules<StockCountedBody> = {
  async after({ stock }, event, transaction) {
    const { lotId, count } = event.body
    const lot = (await stock.lotsOf(event.stream.id, null, transaction)).find((kept) => kept.lotId === lotId)
    if (!lot) throw new ApiError(404, 'not-found', 'There is no such lot here: reload the list.')
    await stock.setLotCount(lotId, count, transaction)
    await stock.addMovements([movementOf(event, { itemCode: lot.itemCode, delta: count - lot.count, lotId })], transaction)
  },
}
