import { formatClock, formatDay } from './format-time'

const [minuteMs, hourMs, dayMs] = [60_000, 3_600_000, 86_400_000]
const steps = [15 * minuteMs, 30 * minuteMs, hourMs, 2 * hourMs, 4 * hourMs, 6 * hourMs, 12 * hourMs, dayMs, 2 * dayMs, 7 * dayMs]

/** A place on an axis of time, with what is written there. */
export interface TimeTick {
  readonly atMs: number
  readonly text: string
}

/**
 * Round times of the clock between two moments, true to scale: as many as have room.
 * @param most ticks
 */
export function timeTicks(fromMs: number, toMs: number, most: number): readonly TimeTick[] {
  const step = steps.find((one) => (toMs - fromMs) / one <= most) ?? steps.at(-1)!
  // Round by the clock on the wall, not by UTC.
  const wallMs = new Date(fromMs).getTimezoneOffset() * minuteMs
  const ticks: TimeTick[] = []
  for (let atMs = Math.ceil((fromMs - wallMs) / step) * step + wallMs; atMs <= toMs; atMs += step)
    ticks.push({ atMs, text: step >= dayMs ? formatDay(atMs) : formatClock(atMs) })
  return ticks
}
