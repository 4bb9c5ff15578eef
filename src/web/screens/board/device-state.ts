import type { BoardRow } from '#contract/api/board'
import type { RunInHand, TimerInHand } from '#contract/api/board'
import { formatDayAndClock, formatSpan } from '../../parts/format-time'

/** How the device of a case is now, in a few words. */
export function deviceState(row: BoardRow, now: number): string {
  const at = (iso: string): string => formatDayAndClock(Date.parse(iso))
  if (row.ended) return 'at home with it'
  if (row.offAt) return `off ${at(row.offAt)}`
  if (row.running) return runWords(row.running)
  if (row.castOpenedAt) return `opened ${at(row.castOpenedAt)}`
  if (row.wetUntilAt && Date.parse(row.wetUntilAt) > now) return `wet until ${at(row.wetUntilAt)}`
  if (row.foundOn) return 'found on'
  return row.onSince ? 'on' : 'not on yet'
}

/** What somebody is in the middle of: "Applying, 7 of 16, Isolde Quill". */
export function runWords({ what, by, done, of }: RunInHand): string {
  return `${what}, ${done} of ${of}, ${by}`
}

/** How long a timer is over before nobody needs to be told any more. */
const heardMs = 10 * 60_000

/** Timers of a case that still say something, in words. */
export function timerWords(timers: readonly TimerInHand[], now: number): readonly { readonly text: string; readonly isOver: boolean }[] {
  return timers
    .filter((timer) => Date.parse(timer.endsAt) + heardMs > now)
    .map(({ label, endsAt }) => {
      const minutes = (Date.parse(endsAt) - now) / 60_000
      const isOver = minutes <= 0
      return { text: `${label} ${isOver ? 'over' : formatSpan(Math.ceil(minutes))}`, isOver }
    })
}
