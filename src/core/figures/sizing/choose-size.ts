import type { StockItem } from '../../model/clinical-case'
import { forecastOf, oddsOfSize, type SizedDimension, type SizeRanges } from './size-odds'

export interface SizeOdds {
  readonly size: string
  readonly odds: number
  readonly isInStock: boolean
  readonly item: StockItem
}

export interface SizeChoice {
  /** The size to use: in stock where one is; null when nothing is stocked at all. */
  readonly chosen: SizeOdds | null
  /** The size that would be best if everything were in stock. */
  readonly best: SizeOdds
  readonly all: readonly SizeOdds[]
  /** Best odds with every reading's sd halved: above 0.8, re-measuring would settle it. */
  readonly oddsAfterRemeasuring: number
}

const closeOdds = 0.05
/** Below this a size is not a choice but only the nearest there is. */
export const leastOdds = 0.2

/**
 * Chooses a size: of the sizes with odds of 0.2 or more the best wins, and within 0.05 the device's preference
 * decides; where none has them, the nearest range. When it is out of stock, the next best in stock that can be closed at all.
 * @param items sized items, each with `size` and `fits`; at least one
 * @param prefer used when the items say nothing themselves
 * @returns null without items
 */
export function chooseSize(
  items: readonly StockItem[],
  dimensions: readonly SizedDimension[],
  prefer: 'larger' | 'smaller',
  odds: SizeRule = oddsOfSize,
): SizeChoice | null {
  const all = items.flatMap((item): SizeOdds[] => {
    if (item.size === undefined || !item.fits) return []
    return [{ size: item.size, odds: odds(dimensions, item.fits), isInStock: item.count === undefined || item.count > 0, item }]
  })
  const best = pick(all, dimensions, prefer)
  if (!best) return null
  const halved = dimensions.map((dimension) => ({ ...dimension, sd: dimension.sd / 2 }))
  const after = Math.max(...all.map((size) => odds(halved, size.item.fits ?? {})))
  return { chosen: best.isInStock ? best : pickSubstitute(all, dimensions, prefer), best, all, oddsAfterRemeasuring: after }
}

/** How the odds of one size follow from those of its dimensions. */
export type SizeRule = (dimensions: readonly SizedDimension[], fits: SizeRanges) => number

/** The best of what is in stock and can be closed: no girth range of it ends below what is forecast. */
export function pickSubstitute(
  all: readonly SizeOdds[],
  dimensions: readonly SizedDimension[],
  prefer: 'larger' | 'smaller',
): SizeOdds | null {
  const girths = dimensions.filter((dimension) => dimension.isGirth)
  const closes = (size: SizeOdds): boolean => girths.every((girth) => (size.item.fits?.[girth.id]?.[1] ?? Infinity) >= forecastOf(girth))
  return pick(
    all.filter((size) => size.isInStock && closes(size)),
    dimensions,
    prefer,
  )
}

/**
 * The best of some sizes: of those within 0.05 of the best odds, those that hold every dimension about as well as any of them does, and of
 * these the preferred end; the nearest where none has odds of 0.2. The second look matters where one dimension leads (a trunk shell's waist).
 */
function pick(sizes: readonly SizeOdds[], dimensions: readonly SizedDimension[], prefer: 'larger' | 'smaller'): SizeOdds | null {
  const real = sizes.filter((size) => size.odds >= leastOdds)
  if (real.length === 0) return nearestSize(sizes, dimensions)
  const most = Math.max(...real.map((size) => size.odds))
  const close = real.filter((size) => size.odds >= most - closeOdds - 1e-12)
  const product = (size: SizeOdds): number => oddsOfSize(dimensions, size.item.fits ?? {})
  const mostInAll = Math.max(...close.map(product))
  const [first, ...rest] = close.filter((size) => product(size) >= mostInAll - closeOdds - 1e-12)
  if (!first) return null
  const wanted = first.item.prefer ?? prefer
  return rest.reduce((best, one) => ((wanted === 'larger' ? middle(one) > middle(best) : middle(one) < middle(best)) ? one : best), first)
}

/** The size whose ranges the dimensions miss by the least sum, cm; of two alike the smaller. */
export function nearestSize(sizes: readonly SizeOdds[], dimensions: readonly SizedDimension[]): SizeOdds | null {
  const missCm = (size: SizeOdds): number =>
    dimensions.reduce((sum, dimension) => {
      const range = size.item.fits?.[dimension.id]
      const at = forecastOf(dimension)
      return range ? sum + Math.max(0, range[0] - at, at - range[1]) : sum
    }, 0)
  const sorted = [...sizes].sort((a, b) => missCm(a) - missCm(b) || middle(a) - middle(b))
  return sorted[0] ?? null
}

/** Mean middle of a size's ranges: how large it is beside the others. */
function middle(size: SizeOdds): number {
  const ranges = Object.values(size.item.fits ?? {})
  return ranges.reduce((sum, [lo, hi]) => sum + (lo + hi) / 2, 0) / Math.max(1, ranges.length)
}
