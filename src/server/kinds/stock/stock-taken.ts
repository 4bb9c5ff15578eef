import type { Transaction } from 'sequelize'
import { isDayBefore } from '#core/quantities/instant'
import type { StockTakenBody } from '#contract/events/stock/stock-taken'
import type { StockLot } from '#contract/records/store'
import type { StockRepository } from '../../repositories/stock'
import type { PlaceRules } from '../rules'
import { checkEnough, movementOf, requireItem } from './stock-moves'

export const rules: PlaceRules<StockTakenBody> = {
  async after({ stock }, event, transaction) {
    const { itemCode, count, caseId = null } = event.body
    const placeId = event.stream.id
    await requireItem(stock, itemCode, transaction)
    const lots = usableLots(await stock.lotsOf(placeId, itemCode, transaction), event.receivedAt)
    const reserved = await stock.reservedOf(placeId, itemCode, transaction)
    const own = reserved.find((kept) => kept.caseId === caseId)?.count ?? 0
    const forOthers = reserved.reduce((sum, kept) => sum + kept.count, 0) - own
    checkEnough(itemCode, lots.reduce((sum, lot) => sum + lot.count, 0) - forOthers, count)
    const taken = await takeFrom(stock, lots, count, transaction)
    if (caseId && own > 0) await stock.setReservation(placeId, itemCode, caseId, own - count, transaction)
    await stock.addMovements(
      taken.map(({ lotId, pieces }) => movementOf(event, { itemCode, delta: -pieces, lotId, caseId })),
      transaction,
    )
  },
}

function usableLots(lots: readonly StockLot[], at: string): readonly StockLot[] {
  return lots.filter((lot) => lot.count > 0 && (lot.expiresOn === null || !isDayBefore(lot.expiresOn, at.slice(0, 10))))
}

/** Takes from the lots that expire first. */
async function takeFrom(
  stock: StockRepository,
  lots: readonly StockLot[],
  count: number,
  transaction: Transaction,
): Promise<readonly { readonly lotId: string; readonly pieces: number }[]> {
  let left = count
  const taken: { lotId: string; pieces: number }[] = []
  for (const lot of lots) {
    if (left === 0) break
    const pieces = Math.min(left, lot.count)
    await stock.setLotCount(lot.lotId, lot.count - pieces, transaction)
    taken.push({ lotId: lot.lotId, pieces })
    left -= pieces
  }
  return taken
}
