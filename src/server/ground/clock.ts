/** The server's time source: milliseconds since the epoch. Tests and the demo loader bring their own. */
export type Clock = () => number
export const systemClock: Clock = () => Date.now()
