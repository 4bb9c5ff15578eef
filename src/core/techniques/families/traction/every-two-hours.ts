import type { ScheduleEntry } from '../../../model/plan'

/** Two-hourly entries to 24 hours. */
export function everyTwoHours(id: string, kind: 'care' | 'weights', text: string): readonly ScheduleEntry[] {
  return Array.from({ length: 12 }, (_, index) => ({ id: `${id}-${index + 1}`, kind, dueMin: (index + 1) * 120, graceMin: 24, text }))
}
