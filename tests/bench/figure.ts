/** One measured number with the limit it must stay under. */
export interface Figure {
  readonly name: string
  readonly value: number
  readonly unit: string
  readonly limit: number
}

/** Milliseconds that some work takes. */
export function timeOf(work: () => void): number {
  const start = performance.now()
  work()
  return performance.now() - start
}

/** Middle and 95th percentile of a list of times. */
export function percentiles(times: readonly number[]): { median: number; p95: number } {
  const sorted = [...times].sort((a, b) => a - b)
  const at = (share: number): number => sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? NaN
  return { median: at(0.5), p95: at(0.95) }
}

/** Prints figures with their limits; false when one is over. */
export function report(figures: readonly Figure[]): boolean {
  for (const { name, value, unit, limit } of figures) {
    console.log(`${value <= limit ? 'ok  ' : 'OVER'} ${name}: ${value.toFixed(value < 10 ? 2 : 0)} ${unit} (limit ${limit} ${unit})`)
  }
  return figures.every((figure) => figure.value <= figure.limit)
}
