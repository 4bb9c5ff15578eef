import type { BoardRow } from '#contract/views/board'

/**
 * How pressing a row is, lowest first: urgent finding, stop or review, overdue, in grace or due within 10 minutes,
 * under way, waiting.
 */
export function urgencyOf(row: BoardRow, now: number): number {
  if (row.level === 'urgent') return 0
  if (row.level === 'stop' || row.level === 'review') return 1
  const late = latenessMin(row, now)
  if (late !== null && late > row.graceMin) return 2
  if (row.level === 'warn' || row.level === 'unknown') return 3
  if (late !== null && late > -10) return 4
  return row.stage === 'watch' ? 6 : 5
}

/** Minutes past the due time, negative before it; null when nothing is due. */
export function latenessMin(row: BoardRow, now: number): number | null {
  return row.nextDueAt === null ? null : (now - Date.parse(row.nextDueAt)) / 60_000
}

/** Rows worst first; alike ones by what is due soonest, then by place. */
export function orderRows(rows: readonly BoardRow[], now: number): readonly BoardRow[] {
  const due = (row: BoardRow): number => (row.nextDueAt === null ? Infinity : Date.parse(row.nextDueAt))
  return [...rows].sort((a, b) => urgencyOf(a, now) - urgencyOf(b, now) || due(a) - due(b) || a.place.localeCompare(b.place))
}
