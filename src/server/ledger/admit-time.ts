import type { EventInput, EventMark } from '#contract/event'
import { isInstant } from '#contract/field-schemas'
import { ApiError } from '../ground/api-error'

/** A clock may run so far ahead of ours; anything more would put an entry into the future. */
const mostAheadMs = 5 * 60_000
/** What comes later than this says so. */
const lateMs = 60 * 60_000

export interface AdmittedTime {
  readonly at: string
  readonly mark?: EventMark
  readonly claimedAt?: string
}

/**
 * The time that an event is kept under. One ahead of ours is refused at the field, so that the clock is set right; one that
 * waited on its device is kept at its receipt instead, as is a time that no calendar has: nobody loses a night to a tablet's clock. One far
 * back is kept and marked.
 * @param receivedMs server time of receipt
 * @throws ApiError 422 `clock`
 */
export function admitTime(input: Pick<EventInput, 'at' | 'queued'>, receivedMs: number): AdmittedTime {
  if (!isInstant(input.at)) return keptAtReceipt(input.at, receivedMs)
  const aheadMs = Date.parse(input.at) - receivedMs
  if (aheadMs > mostAheadMs) {
    if (input.queued) return keptAtReceipt(input.at, receivedMs)
    const message = `The time of this entry is ${describeMinutes(aheadMs / 60_000)} ahead of the server: the clock of this device is fast. Set it right, then enter this again.`
    throw new ApiError(422, 'clock', message, { errors: [{ code: 'format', path: 'at', message }] })
  }
  return -aheadMs > lateMs ? { at: input.at, mark: 'late' } : { at: input.at }
}

function keptAtReceipt(claimedAt: string, receivedMs: number): AdmittedTime {
  return { at: new Date(receivedMs).toISOString(), mark: 'clock-wrong', claimedAt }
}

function describeMinutes(minutes: number): string {
  if (minutes < 120) return `${Math.round(minutes)} min`
  return minutes < 2880 ? `${Math.round(minutes / 60)} h` : `${Math.round(minutes / 1440)} days`
}
