import type { StockItem } from '../../model/clinical-case'
import { oddsOfSize, type SizedDimension } from './size-odds'

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

/**
 * Chooses a size (COMPUTATION 11): best odds wins, and within 0.05 the device's preference decides; when it is
 * out of stock, the next best in stock.
 * @param items sized items, each with `size` and `fits`; at least one
 * @param prefer used when the items say nothing themselves
 * @returns null without items
 */
export function chooseSize(
  items: readonly StockItem[],
  dimensions: readonly SizedDimension[],
  prefer: 'larger' | 'smaller',
): SizeChoice | null {
  const all = items.flatMap((item): SizeOdds[] => {
    if (item.size === undefined || !item.fits) return []
    return [{ size: item.size, odds: oddsOfSize(dimensions, item.fits), isInStock: item.count === undefined || item.count > 0, item }]
  })
  const best = pick(all, prefer)
  if (!best) return null
  const halved = dimensions.map((dimension) => ({ ...dimension, sd: dimension.sd / 2 }))
  const after = Math.max(...all.map((one) => oddsOfSize(halved, one.item.fits ?? {})))
  return {
    chosen: pick(
      all.filter((one) => one.isInStock),
      prefer,
    ),
    best,
    all,
    oddsAfterRemeasuring: after,
  }
}

/** The best of some sizes; among those within 0.05 of the best, the preferred end. */
function pick(sizes: readonly SizeOdds[], prefer: 'larger' | 'smaller'): SizeOdds | null {
  const most = Math.max(...sizes.map((one) => one.odds))
  const close = sizes.filter((one) => one.odds >= most - closeOdds - 1e-12)
  const [first, ...rest] = close
  if (!first) return null
  const wanted = first.item.prefer ?? prefer
  return rest.reduce((best, one) => ((wanted === 'larger' ? middle(one) > middle(best) : middle(one) < middle(best)) ? one : best), first)
}

/** Mean middle of a size's ranges: how large it is beside the others. */
function middle(size: SizeOdds): number {
  const ranges = Object.values(size.item.fits ?? {})
  return ranges.reduce((sum, [lo, hi]) => sum + (lo + hi) / 2, 0) / Math.max(1, ranges.length)
}
