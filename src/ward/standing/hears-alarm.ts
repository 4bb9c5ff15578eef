import { isPairedDevice, type Role } from '#contract/rights'
import type { BoardRow } from '#contract/api/board'

/** Whether alarms of a line sound for somebody: from the claim on they are the receiver's, and no more those of the device that brought the patient. */
export function hearsAlarm({ unattributed }: Pick<BoardRow, 'unattributed'>, roles: readonly Role[]): boolean {
  return !isPairedDevice(roles) || unattributed?.claimed === undefined
}
