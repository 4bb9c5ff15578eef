import { normalCdf } from './normal'

/** Labelled ranges [lo, hi] by measurement id, cm. */
export type SizeRanges = Readonly<Record<string, readonly [number, number]>>

/** One governing dimension of a device, as measured: cm. */
export interface SizedDimension {
  readonly id: string
  readonly value: number
  readonly sd: number
  /** Added for swelling or by the school; half of it counts as doubt. */
  readonly allowance: number
  /** Goes round the body: a range that ends below it cannot be closed. */
  readonly isGirth?: boolean
}

/** Mean of the dimension as forecast: measured + allowance, cm. */
export function forecastOf(dimension: SizedDimension): number {
  return dimension.value + dimension.allowance
}

/**
 * Odds of being in one labelled range: the dimension is taken as normal with mean
 * measured + allowance and variance sd² + (½·allowance)².
 * @param range [lo, hi] cm, lo below hi
 * @returns 0 to 1. Odds of being in the range, not that it fits.
 * @example girth 49.0 (sd 0.4), allowance 2 in [50, 58]: 0.823
 */
export function oddsInRange(dimension: SizedDimension, range: readonly [number, number]): number {
  const mean = forecastOf(dimension)
  const sd = Math.hypot(dimension.sd, 0.5 * dimension.allowance)
  if (sd === 0) return mean >= range[0] && mean < range[1] ? 1 : 0
  return normalCdf((range[1] - mean) / sd) - normalCdf((range[0] - mean) / sd)
}

/**
 * Odds over all governing dimensions: the product. Dimensions without a range, or ranges without a reading,
 * are left out.
 * @param fits ranges by measurement id, cm
 */
export function oddsOfSize(dimensions: readonly SizedDimension[], fits: SizeRanges): number {
  return dimensions.reduce((odds, dimension) => {
    const range = fits[dimension.id]
    return range ? odds * oddsInRange(dimension, range) : odds
  }, 1)
}

/**
 * Odds of a trunk shell's size: those of its waist, where every other dimension has odds of `leastOdds` or more, else 0.
 * @param leading id of the dimension that decides
 */
export function oddsLedBy(leading: string, leastOdds: number): (dimensions: readonly SizedDimension[], fits: SizeRanges) => number {
  return (dimensions, fits) => {
    const oddsAt = (dimension: SizedDimension): number => (fits[dimension.id] ? oddsInRange(dimension, fits[dimension.id]!) : 1)
    const lead = dimensions.find((dimension) => dimension.id === leading)
    const others = dimensions.filter((dimension) => dimension !== lead)
    return others.every((other) => oddsAt(other) >= leastOdds) ? (lead ? oddsAt(lead) : oddsOfSize(others, fits)) : 0
  }
}
