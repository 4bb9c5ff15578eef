import { nearestSize, type SizeOdds } from './choose-size'
import { forecastOf, type SizedDimension } from './size-odds'

/** Whether any size holds girth + 4 cm, or is the next larger one: without a range that does, the rule has no answer. */
export function hasPlusFour(sizes: readonly SizeOdds[], dimension: SizedDimension | null): boolean {
  if (dimension === null) return false
  const target = forecastOf(dimension)
  return sizes.some((size) => (size.item.fits?.[dimension.id]?.[1] ?? -Infinity) > target)
}

/**
 * The size by the rule "girth + 4 cm": the smallest whose range holds it (lo ≤ x < hi),
 * else the next larger, else the nearest there is.
 * @param sizes at least one
 * @param dimension the girth with its allowance of 4 cm; null gives the smallest size
 * @throws RangeError without sizes
 */
export function pickPlusFour(sizes: readonly SizeOdds[], dimension: SizedDimension | null): SizeOdds {
  const rangeOf = (size: SizeOdds): readonly [number, number] => (dimension && size.item.fits?.[dimension.id]) || [0, 0]
  const sorted = [...sizes].sort((a, b) => rangeOf(a)[0] - rangeOf(b)[0] || rangeOf(a)[1] - rangeOf(b)[1])
  const nearest = nearestSize(sorted, dimension ? [dimension] : [])
  if (!nearest) throw new RangeError('pickPlusFour needs at least one size')
  const target = dimension ? forecastOf(dimension) : 0
  const holding = sorted.find((size) => rangeOf(size)[0] <= target && target < rangeOf(size)[1])
  return holding ?? sorted.find((size) => rangeOf(size)[0] > target) ?? nearest
}
