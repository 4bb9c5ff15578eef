import type { StockItem } from '../model/clinical-case'

type Range = readonly [number, number]

const waists: readonly Range[] = [
  [55.2, 66],
  [63.5, 76],
  [73, 87],
  [84, 100],
  [96.5, 115],
  [111.5, 133],
]
const chests: readonly Range[] = [
  [64, 76.5],
  [74, 88],
  [85, 101],
  [97.5, 116.5],
  [112.5, 134],
]
const hips: readonly Range[] = [
  [64.5, 77],
  [74.5, 89],
  [85.5, 102],
  [98, 117],
  [113, 135],
]

/** Size, and which of the three ladders' ranges it takes: waist, chest, hip. */
const sizes: readonly [string, number, number, number][] = [
  ['shell 1', 0, 0, 0],
  ['shell 2', 1, 1, 1],
  ['shell 2 wide hip', 1, 1, 2],
  ['shell 3 narrow chest', 2, 1, 2],
  ['shell 3', 2, 2, 2],
  ['shell 3 wide hip', 2, 2, 3],
  ['shell 4 narrow chest', 3, 2, 3],
  ['shell 4', 3, 3, 3],
  ['shell 5 narrow', 4, 3, 3],
  ['shell 5', 4, 4, 4],
  ['shell 6', 5, 4, 4],
]

/**
 * Two-shell trunk orthoses by waist, chest and hip girth, cm; three straps a side. One ladder of ranges for each girth; a waist comes in
 * the builds that people have, since chest and hip stray from the waist by more than a range is wide.
 */
export const trunkShells: readonly StockItem[] = sizes.map(([size, waist, chest, hip]) => ({
  technique: 'trunk-shell',
  size,
  fits: { 'waist-girth': waists[waist]!, 'chest-girth': chests[chest]!, 'hip-girth': hips[hip]! },
  straps: 3,
  prefer: 'smaller' as const,
}))
