const clock = new Intl.DateTimeFormat(undefined, { hour: '2-digit', minute: '2-digit', hourCycle: 'h23' })
const dated = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric' })
const date = new Intl.DateTimeFormat('en', { weekday: 'short', day: 'numeric', month: 'short' })

/** A time of day, 24 hours: "07:30". Takes ISO text or ms since the epoch. */
export function formatClock(at: string | number): string {
  return clock.format(new Date(at))
}

/** A moment by its day, the one form for it: "Tue 24 Nov, 07:30". */
export function formatDayAndClock(at: number): string {
  return `${formatDay(at)}, ${formatClock(at)}`
}

/** A day: "Tue 24 Nov". */
export function formatDay(at: number): string {
  const parts = Object.fromEntries(date.formatToParts(new Date(at)).map(({ type, value }) => [type, value]))
  return `${parts['weekday']} ${parts['day']} ${parts['month']}`
}

/** A day with its year, for what may be long ago: "24 Nov 2026". */
export function formatDate(at: number): string {
  return dated.format(new Date(at))
}

/** A moment that may be long ago, ISO 8601: "24 Nov 2026, 07:30". */
export function formatMoment(at: string): string {
  return `${formatDate(Date.parse(at))}, ${formatClock(at)}`
}

/** A span of whole minutes in words: hours too from two on, days from two on. */
export function formatSpan(minutes: number): string {
  if (minutes >= 2880) return `${Math.floor(minutes / 1440)} d ${Math.floor((minutes % 1440) / 60)} h`
  return minutes >= 120 ? `${Math.floor(minutes / 60)} h ${minutes % 60} min` : `${minutes} min`
}

/** How late something is, in whole minutes, the one form for it everywhere: "12 min late", from 120 min on "2 h 5 min late". */
export function formatLate(minutes: number): string {
  return `${formatSpan(Math.max(1, Math.round(minutes)))} late`
}
