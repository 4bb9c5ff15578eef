/** One usable reading: its value and standard error, cm or degrees. */
export interface PooledInput {
  readonly value: number
  readonly error: number
  /** The error by which it is held against another reading, where that is less than its own. */
  readonly repeat?: number
}

export interface Pooled {
  /** cm or degrees */
  readonly value: number
  /** Standard deviation of the estimate, same unit. */
  readonly sd: number
  readonly count: number
  /** False when two readings differ by more than 3 σt: a third is wanted. */
  readonly agrees: boolean
}

/**
 * One estimate from repeated readings: one → itself, two → mean, three or more → median.
 * sd = max(σt/√n, s/√n) with s the sample standard deviation for n ≥ 2.
 * @param readings one or more, with the tool's error each; the largest error speaks for all
 * @throws RangeError when there is no reading
 * @example poolReadings([{ value: 37, error: 0.4 }, { value: 37.4, error: 0.4 }]).value // 37.2
 */
export function poolReadings(readings: readonly PooledInput[]): Pooled {
  const count = readings.length
  if (count === 0) throw new RangeError('poolReadings needs at least one reading')
  const values = readings.map((reading) => reading.value).sort((a, b) => a - b)
  const error = Math.max(...readings.map((reading) => reading.error))
  const mean = values.reduce((sum, value) => sum + value, 0) / count
  const middle = Math.floor(count / 2)
  const median = count % 2 === 1 ? (values[middle] ?? mean) : ((values[middle - 1] ?? mean) + (values[middle] ?? mean)) / 2
  const spread = count < 2 ? 0 : Math.sqrt(values.reduce((sum, value) => sum + (value - mean) ** 2, 0) / (count - 1))
  return {
    value: count < 3 ? mean : median,
    sd: Math.max(error, spread) / Math.sqrt(count),
    count,
    agrees:
      count !== 2 || readingsAgree(values[0] ?? 0, values[1] ?? 0, Math.max(...readings.map((reading) => reading.repeat ?? reading.error))),
  }
}

/** Whether two readings agree: they differ by no more than 3 σt. */
export function readingsAgree(a: number, b: number, error: number): boolean {
  return Math.abs(a - b) <= 3 * error + 1e-9
}
