import type { StockItem } from '#core/model/clinical-case'
import { isDayBefore } from '#core/quantities/instant'

export const placeKinds = ['trolley', 'plaster-room', 'vehicle', 'ward'] as const
export type PlaceKind = (typeof placeKinds)[number]

/** Where stock is kept. */
export interface StockPlace {
  readonly id: string
  readonly name: string
  readonly kind: PlaceKind
}

/** One lot of one item at one place. */
export interface StockLot {
  readonly lotId: string
  readonly itemCode: string
  readonly lot: string
  /** Day, `2027-03-31`; null when it does not expire. */
  readonly expiresOn: string | null
  readonly count: number
}

/** One item at one place: its lots, what is reserved of it, and when it counts as low. */
export interface StockLine {
  readonly itemCode: string
  readonly label: string
  readonly item: StockItem
  readonly lowMark: number
  readonly reserved: number
  readonly lots: readonly StockLot[]
}

/** Answer of GET /api/store/:placeId. */
export interface StockAnswer {
  readonly place: StockPlace
  readonly lines: readonly StockLine[]
  readonly now: string
}

/** One movement of stock, newest first in lists. */
export interface StockMovement {
  readonly id: string
  readonly itemCode: string
  readonly delta: number
  readonly kind: string
  readonly lotId: string | null
  readonly caseId: string | null
  readonly by: string
  readonly at: string
}

/** Columns of the CSV that is exported and imported, in this order. */
export const stockColumns = ['item_code', 'lot', 'expires_on', 'count'] as const

/** The code of a catalogue item: kind or technique, then what tells its sizes apart. */
export function itemCodeOf(item: StockItem): string {
  const parts = [
    item.item ?? item.technique ?? 'item',
    item.size,
    item.setting,
    item.widthCm,
    item.widthCm === undefined ? item.lengthCm : undefined,
  ]
  return parts.filter((part) => part !== undefined).join('/')
}

/** What people read for it: "plaster slab 15 cm", "extrication collar, collar adult, 4.8 cm". */
export function itemLabel(item: StockItem): string {
  const name = (item.item ?? item.technique ?? 'item').replaceAll('-', ' ')
  const parts = [
    item.size,
    item.setting === undefined ? undefined : `${item.setting} cm`,
    item.widthCm === undefined ? undefined : `${item.widthCm} cm`,
  ]
  if (item.widthCm === undefined && item.lengthCm !== undefined) parts.push(`${item.lengthCm} cm long`)
  return [name, ...parts.filter((part) => part !== undefined)].join(', ')
}

/** What a day's stock of a line can give: lots that have not expired, less what is reserved. */
export function availableOf(line: Pick<StockLine, 'lots' | 'reserved'>, today: string): number {
  const usable = line.lots.filter((lot) => lot.expiresOn === null || !isDayBefore(lot.expiresOn, today))
  return Math.max(0, usable.reduce((sum, lot) => sum + lot.count, 0) - line.reserved)
}

/** The stock of a place as a plan reads it: every line with what it can give today. */
export function planStock(lines: readonly StockLine[], today: string): readonly StockItem[] {
  return lines.map((line) => ({ ...line.item, count: availableOf(line, today) }))
}
