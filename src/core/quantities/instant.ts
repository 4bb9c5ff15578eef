/**
 * An ISO 8601 moment or day as ms since the epoch; minus infinity without one, so that what has no time comes first. Texts are never
 * compared as such: "08:00+01:00" is before "07:30Z".
 */
export function instantOf(text: string | null | undefined): number {
  return text ? Date.parse(text) : -Infinity
}

/** Whether a day, such as a day of expiry, lies before another: both as `2027-03-31`. */
export function isDayBefore(day: string, other: string): boolean {
  return Date.parse(day) < Date.parse(other)
}
