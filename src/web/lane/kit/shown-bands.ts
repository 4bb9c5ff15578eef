import type { GeometryBand } from '#core/model/geometry'

/** How strong what is not on yet is drawn where the step works with it. */
export const faint = 0.4

/** Bands that are drawn: what is on, and what is lit though it is not on yet. */
export function shownBands(bands: readonly GeometryBand[], off: readonly string[], lit: readonly string[]): readonly GeometryBand[] {
  return bands.filter((band) => !off.includes(band.id) || lit.includes(band.id))
}
