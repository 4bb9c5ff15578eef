import { slipMs } from '#contract/records/side'

/** A press in the last second of ten is written a moment later. */
const slipGraceMs = 2_000

/** How long a slip may be taken back, in words. */
export const slipWords = `${slipMs / 1000} seconds`

/** Whether something was pressed so lately that it counts as a slip of the hand: by the times at which both were pressed. */
export function isSlip(pressedAt: string, undoneAt: string): boolean {
  return Date.parse(undoneAt) - Date.parse(pressedAt) <= slipMs + slipGraceMs
}
