const usualMs = 20_000
const mostTimes = 2
/** What the sum below takes on a machine of the usual speed, milliseconds. */
const usualSumMs = 130

/**
 * How long a test waits for what should be there, milliseconds: one patience for every wait, longer on a machine that is slow when the test
 * starts. A wait that runs out shows a fault, never a slow machine.
 */
export const patienceMs = Math.round(usualMs * Math.min(mostTimes, Math.max(1, sumMs() / usualSumMs)))

function sumMs(): number {
  const began = performance.now()
  let sum = 0
  for (let one = 0; one < 20_000_000; one++) sum = (sum + one) % 1_000_003
  return sum < 0 ? 0 : performance.now() - began
}
