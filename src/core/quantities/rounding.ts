const tolerance = 1e-9

/**
 * Rounds up to a whole number of steps; a value within 1e-9 steps of a step counts as being on it.
 * @param value any finite number, in the step's unit
 * @param step above 0
 * @example roundUpTo(43.2, 0.5) // 43.5
 */
export function roundUpTo(value: number, step: number): number {
  return tidy(Math.ceil(value / step - tolerance) * step)
}

/**
 * Rounds down to a whole number of steps, with the same tolerance as `roundUpTo`.
 * @example roundDownTo(17.9, 0.5) // 17.5
 */
export function roundDownTo(value: number, step: number): number {
  return tidy(Math.floor(value / step + tolerance) * step)
}

/** Limits a value to [least, greatest]. */
export function clamp(value: number, least: number, greatest: number): number {
  return Math.min(greatest, Math.max(least, value))
}

/** Whether two numbers differ by no more than `within` (1e-9 unless given). */
export function approximately(a: number, b: number, within = tolerance): boolean {
  return Math.abs(a - b) <= within
}

/** Rounds to `decimals` places and never gives −0. */
export function roundTo(value: number, decimals: number): number {
  const factor = 10 ** decimals
  return tidy(Math.round(value * factor) / factor)
}

function tidy(value: number): number {
  return value === 0 ? 0 : value
}
