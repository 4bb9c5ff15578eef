let anchorServer = Date.now()
let anchorMonotonic = performance.now()
let anchorWall = Date.now()

/** More than this between the two clocks of the device means sleep, or a clock that was turned. */
const jumpMs = 1_500

/** An answer may be so old when it is read: on a slow line, or a busy tablet. */
const longestOnTheWayMs = 5_000
let isSet = false

/**
 * Sets the clock by an answer of the server; device clocks drift and get changed. An answer that was on its way for a while tells an
 * earlier time than it is: by it the clock never goes back, so that what is done later is also timed later.
 */
export function setServerClock(iso: string): void {
  const told = Date.parse(iso)
  const aheadMs = serverNow() - told
  if (isSet && aheadMs > 0 && aheadMs < longestOnTheWayMs && Math.abs(clockJumpMs()) < jumpMs) return
  isSet = true
  anchorServer = told
  anchorMonotonic = performance.now()
  anchorWall = Date.now()
}

/** The server's time in ms since the epoch, carried on by a clock that nobody can turn. */
export function serverNow(): number {
  return anchorServer + (performance.now() - anchorMonotonic)
}

/** Device clock less server clock, ms. */
export function clockOffsetMs(): number {
  return Math.max(-86_400_000, Math.min(86_400_000, Math.round(Date.now() - serverNow())))
}

/** How far the device's clock ran ahead of its steady counter since the last answer, ms; below 0 when it was set back. */
export function clockJumpMs(): number {
  return Date.now() - anchorWall - (performance.now() - anchorMonotonic)
}

/**
 * Puts the clock right after sleep or a turned clock: asks the server, and without an answer takes a jump forward for
 * sleep, because a timer that rings early is safer than one that rings late.
 * @param askServer the server's time as ISO 8601, or null when it does not answer
 */
export async function mendClock(askServer: () => Promise<string | null>): Promise<void> {
  const jump = clockJumpMs()
  if (Math.abs(jump) < jumpMs) return
  const answer = await askServer()
  if (answer) return setServerClock(answer)
  if (jump > 0) setServerClock(new Date(serverNow() + jump).toISOString())
  else anchorWall += jump
}
