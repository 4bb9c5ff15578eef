/** The server's time source: milliseconds since the epoch. Tests and the demo loader bring their own. */
export type Clock = () => number
export const systemClock: Clock = () => Date.now()

/** Beyond it the server does not serve while another one is there that agrees, and says so on every page where none is. */
export const refuseMs = 5_000

/** How the server's clock stands to the database's. */
export interface ClockState {
  /** This server's clock less the database's, ms; null before it was measured. */
  readonly offsetMs: number | null
  /** It is so far off, and another server agrees with the database, that times of entries would not fit together. */
  readonly isRefused: boolean
}

/** A clock that agrees, as long as nobody compares. */
export const agreeing: ClockState = { offsetMs: 0, isRefused: false }

/** A clock that is compared with the database's. */
export interface ComparedClock {
  readonly state: ClockState
  /** Once a server that stood still has compared: before its first answer. At once where it did not: it is asked each second whether it did. */
  caughtUp(): Promise<void>
}
