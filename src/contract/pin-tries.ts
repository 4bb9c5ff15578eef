/** After so many wrong PINs the PIN is gone: the password opens. Server and device alike. */
export const mostPinTries = 15

/** After so many wrong ones nothing is tried for so many minutes, the most first. */
export const pinWaits: readonly { readonly after: number; readonly minutes: number }[] = [
  { after: 14, minutes: 60 },
  { after: 11, minutes: 15 },
  { after: 8, minutes: 5 },
  { after: 5, minutes: 1 },
]

/** So many more may be wrong before it waits, or before the PIN is gone. */
export function triesBeforeWait(tries: number): number {
  const next = Math.min(mostPinTries, ...pinWaits.map(({ after }) => after).filter((after) => after > tries))
  return next - tries
}

/**
 * Until when a PIN waits after a wrong try.
 * @param tries so many were wrong, the last at `lastMs`
 * @returns milliseconds since the epoch; null where the next may follow at once
 */
export function pinWaitUntilMs(tries: number, lastMs: number): number | null {
  // Only the try that reaches a step waits: the ones after it are free until the next.
  const step = pinWaits.find(({ after }) => tries === after)
  return step ? lastMs + step.minutes * 60_000 : null
}
