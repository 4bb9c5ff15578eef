/** Whether every case is asked for (`npm test -- --long`), and not a seeded sample of what is many. */
export const isLong = process.env['WREN_LONG'] === '1'

/**
 * A sample of a list that is the same every time: its first, its last, and others spread over it; the whole list under `--long`.
 * @param most how many at most, 2 or more
 */
export function sampleOf<T>(list: readonly T[], most: number): readonly T[] {
  if (isLong || list.length <= most) return list
  return Array.from({ length: most }, (_, index) => list[Math.round((index * (list.length - 1)) / (most - 1))] as T)
}
