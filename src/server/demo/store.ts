import { createHash } from 'node:crypto'
import { v7 as uuidv7 } from 'uuid'
import { catalogue } from '#core/catalogue/catalogue'
import { itemCodeOf, itemLabel, type PlaceKind } from '#contract/store'
import type { StockRepository } from '../repositories/stock'
import type { Actor, AppendEvent } from '../services/append-event'

const places: readonly { name: string; kind: PlaceKind; share: number }[] = [
  { name: 'Plaster room', kind: 'plaster-room', share: 1 },
  { name: 'Emergency trolley', kind: 'trolley', share: 0.4 },
  { name: 'Boat ambulance', kind: 'vehicle', share: 0.2 },
]
/** What the gale left out: codes that begin so are empty in the plaster room. */
const gaps = ['ring-traction/ring E', 'walker-boot/boot 4', 'extrication-collar/collar, adult/6', 'padding-roll/15', 'plaster-slab/25']
const dayMs = 86_400_000

/** Fills the store of the gale week: items of the shipped catalogue at three places, with gaps, low lots and one expired. */
export async function writeDemoStore(deps: { stock: StockRepository; append: AppendEvent; keeper: Actor; now: number }): Promise<void> {
  const { stock, append, keeper, now } = deps
  const items = catalogue.items.map((item) => ({ code: itemCodeOf(item), label: itemLabel(item), item, lowMark: item.item ? 3 : 1 }))
  await stock.addItems(items)
  for (const [index, place] of places.entries()) {
    const placeId = idFor(`place ${place.name}`, now)
    await stock.addPlace(placeId, place.name, place.kind)
    for (const [number, { code, item }] of items.entries()) {
      const draw = createHash('sha256').update(`${place.name} ${code}`).digest()[0] ?? 0
      const usual = item.item ? 4 + (draw % 9) : 1 + (draw % 3)
      const isGap = gaps.some((gap) => code.startsWith(gap))
      const isCarried = index === 0 || draw < 256 * place.share
      if (isGap || !isCarried) continue
      const isExpired = number % 17 === 5
      const expires = new Date(now + (isExpired ? -20 : 90 + (draw % 500)) * dayMs).toISOString().slice(0, 10)
      await append(
        {
          id: idFor(`lot event ${place.name} ${code}`, now),
          stream: { type: 'place', id: placeId },
          kind: 'stock-received',
          v: 1,
          body: {
            lotId: idFor(`lot ${place.name} ${code}`, now),
            itemCode: code,
            lot: `TS${String(1000 + number)}`,
            expiresOn: item.item ? expires : null,
            count: usual,
          },
          at: new Date(now).toISOString(),
          offsetMs: 0,
        },
        keeper,
      )
    }
  }
}

function idFor(text: string, now: number): string {
  return uuidv7({ msecs: now, random: createHash('sha256').update(text).digest().subarray(0, 16) })
}
