import type { BoardRow } from '#contract/api/board'
import type { Tone } from '../../parts/tone-shape'
import { toneOf } from '../../parts/level-mark'

/** A shift, min. */
const owedWithinMin = 12 * 60

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

/** The tone of a row: of what stands there, and of what is owed where that is worse. */
export function toneOfRow(row: BoardRow, now: number): Tone {
  const standing = row.level === null ? 'note' : toneOf(row.level)
  const late = latenessMin(row, now)
  if (standing === 'stop' || (late !== null && late > row.graceMin)) return 'stop'
  return standing === 'calm' && late !== null && late > 0 ? 'caution' : standing
}

/** Whether somebody has to go there now: urgent, stop, review, or work that is late. */
export function isPressingRow(row: BoardRow, now: number): boolean {
  return urgencyOf(row, now) <= 2
}

/** The groups in which the Board is read: what presses, what is owed within so long, and everybody else. */
export function groupRows(
  rows: readonly BoardRow[],
  now: number,
): readonly { readonly heading: string; readonly rows: readonly BoardRow[] }[] {
  const isPressing = (row: BoardRow): boolean => isPressingRow(row, now)
  const isOwed = (row: BoardRow): boolean => !isPressing(row) && (latenessMin(row, now) ?? -Infinity) > -owedWithinMin
  return [
    { heading: 'Pressing', rows: rows.filter(isPressing) },
    { heading: 'Owed in the next 12 hours', rows: rows.filter(isOwed) },
    { heading: 'Under way, or nothing owed soon', rows: rows.filter((row) => !isPressing(row) && !isOwed(row)) },
  ].filter((group) => group.rows.length > 0)
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
