import { DateTime } from 'luxon'
import type { DrillState } from '#core/practice/drill/drill-state'
import { msOf } from '#core/practice/drill/judge-bed'

/** The time of day at a minute of the night. */
export function clockOf({ night }: Pick<DrillState, 'night'>, atMin: number): string {
  return DateTime.fromMillis(msOf(night, atMin), { zone: 'UTC' }).toFormat('HH:mm')
}
