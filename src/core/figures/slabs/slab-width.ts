import { roundDownTo } from '../../quantities/rounding'

export interface SlabStation {
  readonly id: string
  readonly label: string
  /** C′, girth over the padding, cm. */
  readonly paddedGirthCm: number
  /** g, what stays open, cm. */
  readonly gapCm: number
}

/**
 * Gap to leave at a station: the greater of 2 cm and ε_max·C′; a quarter
 * of C′ where the release line must stay wide.
 * @param paddedGirthCm C′, cm
 * @param growthMax ε_max, ratio
 * @param isWide whether the quarter rule holds (fresh with moderate or marked swelling)
 * @returns cm
 */
export function openGap(paddedGirthCm: number, growthMax: number, isWide: boolean): number {
  return Math.max(2, (isWide ? 0.25 : growthMax) * paddedGirthCm)
}

/**
 * The widest slab that leaves its gap at every station: a width for a rectangle, and per station for a taper.
 * @param stations at least one
 * @returns widest rectangular slab, cm, with the station that limits it
 * @throws RangeError without stations
 */
export function widestSlab(stations: readonly SlabStation[]): { widthCm: number; limiting: SlabStation } {
  const [first, ...rest] = stations
  if (!first) throw new RangeError('widestSlab needs at least one station')
  const limiting = rest.reduce((least, one) => (allowed(one) < allowed(least) ? one : least), first)
  return { widthCm: allowed(limiting), limiting }
}

/** Widest slab at one station, cm. */
export function allowed(station: SlabStation): number {
  return station.paddedGirthCm - station.gapCm
}

export interface WidthChoice {
  readonly widthCm: number
  /** The stocked slab it is cut from, cm. */
  readonly fromCm: number
  readonly isTrimmed: boolean
}

/**
 * The widest stocked slab that is no wider than allowed; when none is, the narrowest one trimmed to the
 * widest allowed, down to 0.5 cm. A slab may be trimmed, never stretched.
 * @param widestCm widest slab allowed, cm
 * @param stockedCm stocked widths, cm
 * @returns null when nothing is stocked
 * @example chooseSlabWidth(18.4, [10, 15, 20]) // { widthCm: 15, fromCm: 15, isTrimmed: false }
 */
export function chooseSlabWidth(widestCm: number, stockedCm: readonly number[]): WidthChoice | null {
  if (stockedCm.length === 0) return null
  const fitting = stockedCm.filter((width) => width <= widestCm + 1e-9)
  if (fitting.length > 0) {
    const widthCm = Math.max(...fitting)
    return { widthCm, fromCm: widthCm, isTrimmed: false }
  }
  return { widthCm: Math.max(0, roundDownTo(widestCm, 0.5)), fromCm: Math.min(...stockedCm), isTrimmed: true }
}

/**
 * The narrowest stocked slab that reaches a coverage at a station when it is cut with a taper, so that it
 * keeps the same gap everywhere.
 * @param station where coverage is judged
 * @returns its width at that station and the stocked width, cm; null when none does
 */
export function chooseTaper(
  station: SlabStation,
  stockedCm: readonly number[],
  coverage: number,
): { widthCm: number; fromCm: number } | null {
  for (const fromCm of [...stockedCm].sort((a, b) => a - b)) {
    const widthCm = Math.min(fromCm, allowed(station))
    if (widthCm / station.paddedGirthCm >= coverage - 1e-9) return { widthCm, fromCm }
  }
  return null
}
