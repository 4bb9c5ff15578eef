import type { PatientGone } from '../../sync/device'
import { formatClock } from '../../parts/format-time'

/** Where a patient of this device went. */
export function goneWords({ by, at, place }: PatientGone): string {
  if (by === '') return `The case ended, ${formatClock(at)}.`
  return `${by} has this patient since ${formatClock(at)}${place ? `, ${place}` : ''}.`
}
