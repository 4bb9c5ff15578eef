import { normalCdf } from './normal'

/** One governing dimension of a device, as measured: cm. */
export interface SizedDimension {
  readonly id: string
  readonly value: number
  readonly sd: number
  /** Added for swelling or by the school; half of it counts as doubt. */
  readonly allowance: number
}

/**
 * Odds of being in one labelled range (COMPUTATION 11): the dimension is taken as normal with mean
 * measured + allowance and variance sd² + (½·allowance)².
 * @param range [lo, hi] cm, lo below hi
 * @returns 0 to 1. Odds of being in the range, not that it fits.
 * @example girth 49.0 (sd 0.4), allowance 2 in [50, 58]: 0.823
 */
export function oddsInRange(dimension: SizedDimension, range: readonly [number, number]): number {
  const mean = dimension.value + dimension.allowance
  const sd = Math.hypot(dimension.sd, 0.5 * dimension.allowance)
  if (sd === 0) return mean >= range[0] && mean < range[1] ? 1 : 0
  return normalCdf((range[1] - mean) / sd) - normalCdf((range[0] - mean) / sd)
}

/**
 * Odds over all governing dimensions: the product. Dimensions without a range, or ranges without a reading,
 * are left out.
 * @param fits ranges by measurement id, cm
 */
export function oddsOfSize(dimensions: readonly SizedDimension[], fits: Readonly<Record<string, readonly [number, number]>>): number {
  return dimensions.reduce((odds, dimension) => {
    const range = fits[dimension.id]
    return range ? odds * oddsInRange(dimension, range) : odds
  }, 1)
}
