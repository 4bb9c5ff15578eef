import { roundDownTo } from '../../quantities/rounding'

/** Two slabs of one width laid side by side as one. */
export interface LappedSlabs {
  /** The stocked slab of which two are taken, cm. */
  readonly pieceCm: number
  /** How far one lies over the other, cm. */
  readonly lapCm: number
  /** Both together as they lie, cm. */
  readonly widthCm: number
  /** Cut off lengthways from one of them, cm; 0 where nothing is. */
  readonly leftCm: number
}

/** One lies over the other by a third of its width, at least this much, cm. */
const leastLapCm = 4

/** How far a slab is lapped onto its neighbour, cm. */
function lapOf(pieceCm: number): number {
  return Math.max(leastLapCm, pieceCm / 3)
}

/** Two of a width as they lie, nothing cut off, cm. */
function together(pieceCm: number): number {
  return 2 * pieceCm - lapOf(pieceCm)
}

/**
 * Two slabs in place of one that is wide enough: of the narrowest stocked width that gives it, one trimmed lengthways.
 * @param widthCm wanted together, cm, above 0
 * @param stockedCm stocked widths, cm
 * @returns null where no two of them reach it, or one alone does
 * @example lapTwo(16, [10, 15]) // { pieceCm: 10, lapCm: 4, widthCm: 16, leftCm: 0 }
 */
export function lapTwo(widthCm: number, stockedCm: readonly number[]): LappedSlabs | null {
  const pieceCm = [...stockedCm].sort((a, b) => a - b).find((width) => together(width) >= widthCm - 1e-9)
  if (pieceCm === undefined || pieceCm >= widthCm - 1e-9) return null
  return { pieceCm, lapCm: lapOf(pieceCm), widthCm, leftCm: Math.max(0, together(pieceCm) - widthCm) }
}

/**
 * The widest that two stocked slabs give without being wider than allowed, down to 0.5 cm.
 * @param widestCm widest slab allowed, cm
 * @returns null where one slab gives as much
 */
export function widestOfTwo(widestCm: number, stockedCm: readonly number[]): LappedSlabs | null {
  const single = Math.max(0, ...stockedCm.filter((width) => width <= widestCm + 1e-9))
  const reached = Math.min(widestCm, Math.max(0, ...stockedCm.filter((width) => width < widestCm).map(together)))
  const widthCm = roundDownTo(reached, 0.5)
  return widthCm > single + 1e-9
    ? lapTwo(
        widthCm,
        stockedCm.filter((width) => width < widthCm),
      )
    : null
}
