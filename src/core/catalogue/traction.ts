import type { StockItem } from '../model/clinical-case'

const rings: readonly [string, readonly [number, number]][] = [
  ['ring A', [27.6, 33]],
  ['ring B', [33, 39]],
  ['ring C', [39, 45]],
  ['ring D', [45, 51]],
  ['ring E', [51, 57]],
  ['ring F', [57, 63]],
  ['ring G', [63, 70]],
  ['ring H', [70, 78]],
]
const slings: readonly (readonly [number, number])[] = [
  [24, 28.5],
  [28, 33.5],
  [32.5, 38.5],
  [37.5, 44.5],
  [43.5, 51.5],
  [50, 59.5],
  [58, 69],
  [67, 80],
  [78, 93],
]
const covers: readonly (readonly [number, number])[] = [
  [26, 31],
  [30, 35.5],
  [34.5, 41],
  [40, 47.5],
  [46, 55],
  [53, 63],
  [61, 72.5],
  [70.5, 84],
]

/** Rings by oblique groin girth (the same rings serve both ring techniques), slings by mid-thigh girth, pads by length. */
export const ringSplints: readonly StockItem[] = [
  ...(['ring-traction', 'suspended-ring-traction'] as const).flatMap((technique) =>
    rings.map(([size, range]) => ({ technique, size, fits: { 'oblique-groin-girth': range }, prefer: 'larger' as const, bareBarCm: 10 })),
  ),
  ...slings.map((range, at) => ({ item: 'sling', size: `sling ${at + 1}`, fits: { 'mid-thigh-girth': range } })),
  ...covers.map((range, at) => ({
    item: 'ring-cover',
    size: `cover ${at + 1}`,
    fits: { 'oblique-groin-girth': range },
    prefer: 'larger' as const,
  })),
  { item: 'sling-pad', lengthCm: 15 },
  { item: 'carrying-sling', widthCm: 15 },
  ...['skin-strip', 'cord', 'padding-tube', 'gutter'].map((item) => ({ item })),
]

/** Field splints: one pole, one frame, with as many straps as each carries. */
export const fieldSplints: readonly StockItem[] = [
  { technique: 'pole-traction', size: 'pole', straps: 3 },
  { technique: 'frame-traction', size: 'frame', straps: 4 },
]
