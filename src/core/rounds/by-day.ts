import { DateTime } from 'luxon'

/** Hours between which somebody is there who decides about films, theatre and going on. */
const firstHour = 8
const lastHour = 18

/**
 * A moment moved into the day (8:00 to 18:00) that it falls on: what is owed in the night waits for the morning, what is owed in the
 * evening comes before it. Never more than 8 h later or 6 h earlier.
 * @param ms milliseconds since the epoch
 * @param zone IANA name of the patient's time zone
 */
export function byDay(ms: number, zone: string): number {
  const at = DateTime.fromMillis(ms, { zone })
  if (!at.isValid) return ms
  const [morning, evening] = [firstHour, lastHour].map((hour) => at.startOf('day').set({ hour }).toMillis()) as [number, number]
  return Math.min(Math.max(ms, morning), evening)
}
