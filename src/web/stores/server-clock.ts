let anchorServer = Date.now()
let anchorMonotonic = performance.now()

/** Sets the clock by an answer of the server; device clocks drift and get changed. */
export function setServerClock(iso: string): void {
  anchorServer = Date.parse(iso)
  anchorMonotonic = performance.now()
}

/** The server's time in ms since the epoch, carried on by a clock that nobody can turn. */
export function serverNow(): number {
  return anchorServer + (performance.now() - anchorMonotonic)
}

/** Device clock less server clock, ms. */
export function clockOffsetMs(): number {
  return Math.max(-86_400_000, Math.min(86_400_000, Math.round(Date.now() - serverNow())))
}
