/**
 * Length of stockinette to cut: 1.5 × the covered length where it is folded back over a
 * slab, else 10 cm more at each end.
 * @param coveredCm length of limb covered, cm, above 0
 * @returns cm
 * @example stockinetteLength(30, 'folded-back') // 45
 */
export function stockinetteLength(coveredCm: number, ends: 'folded-back' | 'turned-over'): number {
  return ends === 'folded-back' ? coveredCm * 1.5 : coveredCm + 20
}

/**
 * The flat width of stockinette for a limb: the narrowest stocked one of at least 0.9 × half the widest girth.
 * @param widestGirthCm greatest covered girth, cm
 * @returns null when every stocked width is too narrow
 */
export function stockinetteWidth(widestGirthCm: number, stockedWidthsCm: readonly number[]): number | null {
  const least = 0.9 * (widestGirthCm / 2)
  const fitting = stockedWidthsCm.filter((width) => width >= least - 1e-9)
  return fitting.length > 0 ? Math.min(...fitting) : null
}

/** The widest of several girths, cm: what a sleeve has to pass. */
export function widestGirth(stations: readonly { readonly girthCm: number }[]): number {
  return Math.max(...stations.map((station) => station.girthCm))
}
