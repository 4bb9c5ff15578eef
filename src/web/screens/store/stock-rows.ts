import { isDayBefore } from '#core/quantities/instant'
import { availableOf, type StockLine, type StockLot } from '#contract/records/store'

export const stockStates = ['out', 'expired', 'low', 'soon', 'ok', 'absent'] as const
export type StockState = (typeof stockStates)[number]

export const stateWords: Record<StockState, string> = {
  out: 'none free',
  expired: 'expired lot',
  low: 'low',
  soon: 'expires soon',
  ok: 'enough',
  absent: 'not kept here',
}

/** One line of the store's table. */
export interface StockRow {
  readonly itemCode: string
  readonly label: string
  readonly lots: readonly StockLot[]
  /** What can be taken today. */
  readonly free: number
  readonly reserved: number
  readonly lowMark: number
  /** First day on which something of it expires; null when nothing does. */
  readonly expiresOn: string | null
  readonly state: StockState
}

const soonDays = 30
const dayMs = 86_400_000

/**
 * The lines of a place as the table shows them, the worst state of each named.
 * @param today day, `2026-11-24`
 */
export function toStockRows(lines: readonly StockLine[], today: string): readonly StockRow[] {
  const soon = new Date(Date.parse(today) + soonDays * dayMs).toISOString().slice(0, 10)
  return lines.map((line) => {
    const held = line.lots.filter((lot) => lot.count > 0)
    const days = held.flatMap((lot) => lot.expiresOn ?? []).sort()
    const free = availableOf(line, today)
    const first = days[0] ?? null
    const state: StockState =
      line.lots.length === 0
        ? 'absent'
        : free === 0
          ? 'out'
          : first !== null && isDayBefore(first, today)
            ? 'expired'
            : free <= line.lowMark
              ? 'low'
              : first !== null && !isDayBefore(soon, first)
                ? 'soon'
                : 'ok'
    const { itemCode, label, lots, reserved, lowMark } = line
    return { itemCode, label, lots, free, reserved, lowMark, expiresOn: first, state }
  })
}

/** Rows whose label, code or lot holds every typed word, and whose state is wanted; what is not kept here only when asked for or looked for. */
export function filterRows(rows: readonly StockRow[], typed: string, states: readonly StockState[]): readonly StockRow[] {
  const words = typed.toLowerCase().split(/\s+/).filter(Boolean)
  return rows.filter((row) => {
    const text = `${row.label} ${row.itemCode}`.toLowerCase()
    const isFound = words.every((word) => text.includes(word) || row.lots.some((lot) => lot.lot.toLowerCase().startsWith(word)))
    return isFound && (states.length === 0 ? row.state !== 'absent' || words.length > 0 : states.includes(row.state))
  })
}
