import type { Transaction } from 'sequelize'
import { isDayBefore } from '#core/quantities/instant'
import type { StoredEvent } from '#contract/event'
import { availableOf, type PlaceKind, type StockLot } from '#contract/records/store'
import { ApiError, invalidInput } from '../ground/api-error'
import type { MovementRow, StockRepository } from '../repositories/stock'

interface ReceivedBody {
  lotId: string
  itemCode: string
  lot: string
  expiresOn: string | null
  count: number
}

/**
 * Carries out one stock event: counts, receipts, takings, reservations. The place's row is locked by then, so that two
 * people cannot take the last one.
 * @throws ApiError 409 `out-of-stock` when there is not enough, 404 for an unknown lot, 422 for an unknown item
 */
export async function moveStock(stock: StockRepository, event: StoredEvent, transaction: Transaction): Promise<void> {
  const placeId = event.stream.id
  const movement = (itemCode: string, delta: number, lotId: string | null, caseId: string | null): MovementRow => ({
    eventId: event.id,
    placeId,
    itemCode,
    lotId,
    delta,
    kind: event.kind.replace('stock-', ''),
    caseId,
    actorName: event.actorName,
    at: new Date(event.receivedAt),
  })
  switch (event.kind) {
    case 'place-opened': {
      const { name, kind } = event.body as { name: string; kind: PlaceKind }
      if (await stock.isPlaceNamed(name, transaction)) {
        throw invalidInput([
          { code: 'format', path: 'body/name', message: `There is a place called "${name}" already: give the new one another name.` },
        ])
      }
      return stock.addPlace({ id: placeId, name, kind }, transaction)
    }
    case 'stock-counted': {
      const { lotId, count } = event.body as { lotId: string; count: number }
      const lot = (await stock.lotsOf(placeId, null, transaction)).find((one) => one.lotId === lotId)
      if (!lot) throw new ApiError(404, 'not-found', 'There is no such lot here: reload the list.')
      await stock.setLotCount(lotId, count, transaction)
      return stock.addMovements([movement(lot.itemCode, count - lot.count, lotId, null)], transaction)
    }
    case 'stock-received': {
      const body = event.body as ReceivedBody
      await requireItem(stock, body.itemCode, transaction)
      const lotId = await receiveLot(stock, body, placeId, transaction)
      return stock.addMovements([movement(body.itemCode, body.count, lotId, null)], transaction)
    }
    case 'stock-taken': {
      const { itemCode, count, caseId = null } = event.body as { itemCode: string; count: number; caseId?: string }
      await requireItem(stock, itemCode, transaction)
      const lots = usableLots(await stock.lotsOf(placeId, itemCode, transaction), event.receivedAt)
      const reserved = await stock.reservedOf(placeId, itemCode, transaction)
      const own = reserved.find((one) => one.caseId === caseId)?.count ?? 0
      const forOthers = reserved.reduce((sum, one) => sum + one.count, 0) - own
      checkEnough(itemCode, lots.reduce((sum, lot) => sum + lot.count, 0) - forOthers, count)
      const rows = await takeFrom(stock, lots, count, transaction)
      if (caseId && own > 0) await stock.setReservation(placeId, itemCode, caseId, own - count, transaction)
      return stock.addMovements(
        rows.map((row) => movement(itemCode, -row.taken, row.lotId, caseId)),
        transaction,
      )
    }
    case 'stock-reserved': {
      const { itemCode, count, caseId } = event.body as { itemCode: string; count: number; caseId: string }
      await requireItem(stock, itemCode, transaction)
      const lots = await stock.lotsOf(placeId, itemCode, transaction)
      const reserved = await stock.reservedOf(placeId, itemCode, transaction)
      const forOthers = reserved.filter((one) => one.caseId !== caseId).reduce((sum, one) => sum + one.count, 0)
      checkEnough(itemCode, availableOf({ lots, reserved: forOthers }, event.receivedAt.slice(0, 10)), count)
      await stock.setReservation(placeId, itemCode, caseId, count, transaction)
      return stock.addMovements([movement(itemCode, 0, null, caseId)], transaction)
    }
    case 'stock-released': {
      const { caseId } = event.body as { caseId: string }
      for (const { itemCode } of await stock.reservationsOfCase(placeId, caseId, transaction)) {
        await stock.setReservation(placeId, itemCode, caseId, 0, transaction)
        await stock.addMovements([movement(itemCode, 0, null, caseId)], transaction)
      }
      return
    }
    default:
      throw invalidInput([{ code: 'format', path: 'kind', message: `${event.kind} does not belong to a place.` }])
  }
}

/**
 * Adds what was received to its lot, or makes the lot. Two lots are one only when item, number (to the letter) and expiry are the same.
 * @returns the id of the lot
 * @throws ApiError 422 when the id belongs to a lot of another place, item, number or expiry
 */
async function receiveLot(stock: StockRepository, body: ReceivedBody, placeId: string, transaction: Transaction): Promise<string> {
  const isSameLot = (one: StockLot): boolean => one.itemCode === body.itemCode && one.lot === body.lot && one.expiresOn === body.expiresOn
  const named = await stock.findLot(body.lotId, transaction)
  if (named && (named.placeId !== placeId || !isSameLot(named))) {
    throw invalidInput([
      {
        code: 'format',
        path: 'body/lotId',
        message: 'This id belongs to another lot: give the new one its own id, or name its place, item, number and expiry as they are.',
      },
    ])
  }
  const known = named ?? (await stock.lotsOf(placeId, body.itemCode, transaction)).find(isSameLot)
  if (known) await stock.setLotCount(known.lotId, known.count + body.count, transaction)
  else await stock.addLot(body, placeId, transaction)
  return known?.lotId ?? body.lotId
}

async function requireItem(stock: StockRepository, itemCode: string, transaction: Transaction): Promise<void> {
  if ((await stock.itemCodes(transaction)).has(itemCode)) return
  throw invalidInput([
    { code: 'format', path: 'body/itemCode', message: `The item "${itemCode}" is not in the catalogue: choose one that is.` },
  ])
}

function checkEnough(itemCode: string, available: number, wanted: number): void {
  if (available >= wanted) return
  throw new ApiError(
    409,
    'out-of-stock',
    `${available <= 0 ? 'None' : `Only ${available}`} of ${itemCode} ${available === 1 ? 'is' : 'are'} free here: take another place or item.`,
  )
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
): Promise<readonly { lotId: string; taken: number }[]> {
  let left = count
  const rows: { lotId: string; taken: number }[] = []
  for (const lot of lots) {
    if (left === 0) break
    const taken = Math.min(left, lot.count)
    await stock.setLotCount(lot.lotId, lot.count - taken, transaction)
    rows.push({ lotId: lot.lotId, taken })
    left -= taken
  }
  return rows
}
