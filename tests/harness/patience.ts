const usualMs = 30_000
const mostTimes = 4
/** What the sum below takes on a machine of the usual speed with nothing beside it, milliseconds. */
const usualSumMs = 13

/**
 * How much slower than usual this machine is at this moment, 1 to 4. Measured over a few moments: another program that takes turns with this one
 * is seen in its wall clock.
 */
export function slowness(): number {
  let longestMs = 0
  for (let round = 0; round < 4; round++) longestMs = Math.max(longestMs, sumMs())
  return Math.min(mostTimes, Math.max(1, longestMs / usualSumMs))
}

/**
 * How long a test waits for what should be there, milliseconds: one patience for every wait, longer on a machine that is slow when the tests
 * start. A wait that runs out shows a fault, never a slow machine.
 */
export const patienceMs = Math.round(usualMs * slowness())

function sumMs(): number {
  const began = performance.now()
  let sum = 0
  for (let one = 0; one < 2_000_000; one++) sum = (sum + one) % 1_000_003
  return sum < 0 ? 0 : performance.now() - began
}
