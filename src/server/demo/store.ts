import { createHash } from 'node:crypto'
import { stringify } from 'csv-stringify/sync'
import { v7 as uuidv7 } from 'uuid'
import { catalogue } from '#core/catalogue/catalogue'
import { itemCodeOf, stockColumns, type PlaceKind } from '#contract/records/store'
import type { AppendEvent } from '../writing/append-event'
import type { Actor } from '../ledger/writing'

const places: readonly { name: string; kind: PlaceKind; share: number }[] = [
  { name: 'Plaster room', kind: 'plaster-room', share: 1 },
  { name: 'Emergency trolley', kind: 'trolley', share: 0.4 },
  { name: 'Boat ambulance', kind: 'vehicle', share: 0.2 },
]
/** What the gale left out: codes that begin so are empty in the plaster room. */
const gaps = ['ring-traction/ring E', 'walker-boot/boot 4', 'extrication-collar/collar, adult/6', 'padding-roll/15', 'plaster-slab/25']
const dayMs = 86_400_000

/** Fills the store of the gale week: items of the shipped catalogue at three places, with gaps, low lots and some expired. */
export async function writeDemoStore(deps: {
  append: AppendEvent
  importStock: (placeId: string, text: string, actor: Actor) => Promise<unknown>
  lead: Actor
  keeper: Actor
  now: number
}): Promise<void> {
  const { append, importStock, lead, keeper, now } = deps
  for (const [index, place] of places.entries()) {
    const placeId = idFor(`place ${place.name}`, now)
    const body = { name: place.name, kind: place.kind }
    const at = new Date(now).toISOString()
    await append({ id: uuidv7(), stream: { type: 'place', id: placeId }, kind: 'place-opened', v: 1, body, at, offsetMs: 0, base: 0 }, lead)
    const rows = catalogue.items.flatMap((item, number) => {
      const code = itemCodeOf(item)
      const draw = createHash('sha256').update(`${place.name} ${code}`).digest()[0] ?? 0
      const isCarried = index === 0 || draw < 256 * place.share
      const isGap = index === 0 && gaps.some((gap) => code.startsWith(gap))
      if (!isCarried) return []
      const isExpired = number % 17 === 5
      const expires = new Date(now + (isExpired ? -20 : 90 + (draw % 500)) * dayMs).toISOString().slice(0, 10)
      return [[code, `TS${1000 + number}`, item.item ? expires : '', isGap ? 0 : item.item ? 4 + (draw % 9) : 1 + (draw % 3)]]
    })
    await importStock(placeId, stringify([[...stockColumns], ...rows]), keeper)
  }
}

function idFor(text: string, now: number): string {
  return uuidv7({ msecs: now, random: createHash('sha256').update(text).digest().subarray(0, 16) })
}
