import type { StockItem } from '../model/clinical-case'

const chests: Readonly<Record<number, readonly [number, number]>> = {
  2: [59.5, 71],
  3: [68.2, 81.2],
  4: [78.1, 93.1],
  5: [89.5, 106.7],
  6: [102.6, 122.4],
  7: [117.6, 140],
}
const lengths = {
  least: [27.3, 32.4],
  short: [31.2, 37.1],
  usual: [35.8, 42.6],
  long: [41, 48.9],
} as const

const sizes: readonly [string, number, keyof typeof lengths][] = [
  ['vest 2', 2, 'least'],
  ['vest 3 short', 3, 'short'],
  ['vest 3', 3, 'usual'],
  ['vest 4', 4, 'usual'],
  ['vest 4 long', 4, 'long'],
  ['vest 5', 5, 'usual'],
  ['vest 5 long', 5, 'long'],
  ['vest 6 long', 6, 'long'],
  ['vest 7 long', 7, 'long'],
]

/** Short extrication vests by chest girth and armpit-to-seat length, cm, from six years up. */
export const vests: readonly StockItem[] = sizes.map(([size, chest, length]) => ({
  technique: 'seated-vest',
  size,
  fits: { 'chest-girth': chests[chest]!, 'armpit-seat': lengths[length] },
  straps: 3,
  prefer: 'smaller' as const,
}))
