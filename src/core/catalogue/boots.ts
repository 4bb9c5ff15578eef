import type { StockItem } from '../model/clinical-case'

const sizes: readonly [string, readonly [number, number]][] = [
  ['boot 1', [16, 18.5]],
  ['boot 2', [18.5, 21]],
  ['boot 3', [21, 23.5]],
  ['boot 4', [23.5, 26]],
  ['boot 5', [26, 28.5]],
  ['boot 6', [28.5, 31.5]],
]

/** Walker boots by foot length, cm. */
export const boots: readonly StockItem[] = sizes.map(([size, range]) => ({
  technique: 'walker-boot',
  size,
  fits: { 'foot-length': range },
  prefer: 'larger' as const,
  straps: 3,
}))
