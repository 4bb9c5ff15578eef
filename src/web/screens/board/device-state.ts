import type { BoardRow } from '#contract/views/board'
import { formatDayAndClock } from '../../parts/format-time'

/** How the device of a case is now, in a few words. */
export function deviceState(row: BoardRow, now: number): string {
  const at = (iso: string): string => formatDayAndClock(Date.parse(iso))
  if (row.ended) return 'at home with it'
  if (row.offAt) return `off ${at(row.offAt)}`
  if (row.castOpenedAt) return `opened ${at(row.castOpenedAt)}`
  if (row.wetUntilAt && Date.parse(row.wetUntilAt) > now) return `wet until ${at(row.wetUntilAt)}`
  if (row.foundOn) return 'found on'
  return row.stage === 'watch' || row.stage === 'check' ? 'on' : 'not on yet'
}
