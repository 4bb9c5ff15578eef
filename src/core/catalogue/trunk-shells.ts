import type { StockItem } from '../model/clinical-case'

const sizes: readonly [string, readonly [number, number], readonly [number, number], readonly [number, number]][] = [
  ['shell 1', [50, 60], [58, 69], [60, 72]],
  ['shell 2', [60, 71], [68, 80], [72, 84]],
  ['shell 3', [71, 83], [79, 92], [84, 96]],
  ['shell 4', [83, 96], [91, 104], [95, 108]],
  ['shell 5', [96, 110], [103, 117], [107, 121]],
  ['shell 6', [110, 126], [116, 131], [120, 136]],
]

/** Two-shell trunk orthoses by waist, chest and hip girth, cm; three straps a side. */
export const trunkShells: readonly StockItem[] = sizes.map(([size, waist, chest, hip]) => ({
  technique: 'trunk-shell',
  size,
  fits: { 'waist-girth': waist, 'chest-girth': chest, 'hip-girth': hip },
  straps: 3,
  prefer: 'smaller' as const,
}))
