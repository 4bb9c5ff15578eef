import { create } from 'zustand'

/** By how much the server's clock is ahead of its database's, ms, as it said last; null where it is near enough. */
export const useClockOff = create<{ readonly offMs: number | null }>(() => ({ offMs: null }))

/** @param said as an answer's header says it; null where it says nothing */
export function noteClockOff(said: string | null): void {
  const offMs = said === null || !Number.isFinite(Number(said)) ? null : Number(said)
  // To the minute: each answer measures a little differently.
  if (toMinute(offMs) !== toMinute(useClockOff.getState().offMs)) useClockOff.setState({ offMs })
}

function toMinute(offMs: number | null): number | null {
  return offMs === null ? null : Math.round(offMs / 60_000)
}
