import type { StockItem } from '../model/clinical-case'

const rings: readonly [string, readonly [number, number]][] = [
  ['ring A', [27, 33]],
  ['ring B', [33, 39]],
  ['ring C', [39, 45]],
  ['ring D', [45, 51]],
  ['ring E', [51, 57]],
  ['ring F', [57, 63]],
  ['ring G', [63, 70]],
  ['ring H', [70, 78]],
]
const slings: readonly [string, readonly [number, number]][] = [
  ['XS', [24, 33]],
  ['S', [32, 43]],
  ['M', [42, 54]],
  ['L', [53, 66]],
  ['XL', [65, 82]],
]

const covers: readonly [string, readonly [number, number]][] = [
  ['cover 1', [26, 38]],
  ['cover 2', [36, 50]],
  ['cover 3', [48, 64]],
  ['cover 4', [62, 82]],
]

/** Rings by oblique groin girth (the same rings serve both ring techniques), slings by mid-thigh girth, pads by length. */
export const ringSplints: readonly StockItem[] = [
  ...(['ring-traction', 'suspended-ring-traction'] as const).flatMap((technique) =>
    rings.map(([size, range]) => ({ technique, size, fits: { 'oblique-groin-girth': range }, prefer: 'larger' as const, bareBarCm: 10 })),
  ),
  ...slings.map(([size, range]) => ({ item: 'sling', size, fits: { 'mid-thigh-girth': range } })),
  ...covers.map(([size, range]) => ({ item: 'ring-cover', size, fits: { 'oblique-groin-girth': range }, prefer: 'larger' as const })),
  { item: 'sling-pad', lengthCm: 15 },
  ...['skin-strip', 'cord', 'padding-tube', 'gutter'].map((item) => ({ item })),
]

/** Field splints: one pole, one frame, with as many straps as each carries. */
export const fieldSplints: readonly StockItem[] = [
  { technique: 'pole-traction', size: 'pole', straps: 3 },
  { technique: 'frame-traction', size: 'frame', straps: 4 },
]
