const clock = new Intl.DateTimeFormat(undefined, { hour: '2-digit', minute: '2-digit', hourCycle: 'h23' })
const dated = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric' })
const date = new Intl.DateTimeFormat('en', { weekday: 'short', day: 'numeric', month: 'short' })

/** A time of day, 24 hours: "07:30". Takes ISO text or ms since the epoch. */
export function formatClock(at: string | number): string {
  return clock.format(new Date(at))
}

/** When the day of a moment began where the screen stands, ms since the epoch. */
export function startOfDay(atMs: number): number {
  return new Date(atMs).setHours(0, 0, 0, 0)
}

/**
 * A moment as a screen says it on the day that began at `dayMs`: "today 04:39", "yesterday 22:10", "tomorrow 06:00", else by its day.
 * @param beforeMs the moment above it in a list: of the same day the time alone is said
 */
export function momentIn(dayMs: number, atMs: number, beforeMs?: number): string {
  const day = startOfDay(atMs)
  if (beforeMs !== undefined && startOfDay(beforeMs) === day) return formatClock(atMs)
  // By dates: a day may have 23 or 25 hours.
  const days = Math.round((day - dayMs) / 86_400_000)
  const named = days === 0 ? 'today' : days === -1 ? 'yesterday' : days === 1 ? 'tomorrow' : null
  return named ? `${named} ${formatClock(atMs)}` : formatDayAndClock(atMs)
}

/** A moment by its day, for what is printed, copied or shown for long: "Tue 24 Nov, 07:30". */
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

/** When something is due, the one form for it everywhere: "12 min late", "due now", "in 5 min". Takes how late it is, minutes; below 0 while it is to come. */
export function formatDue(lateMin: number): string {
  const whole = Math.round(lateMin)
  return whole > 0 ? formatLate(whole) : whole === 0 ? 'due now' : `in ${formatSpan(-whole)}`
}
