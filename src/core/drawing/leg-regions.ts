import type { GeometryBand } from '../model/geometry'
import type { LegShape } from './leg-shape'
import type { Point } from './points'
import { straightPath } from './smooth-path'

type Flip = (point: Point) => Point

/** The stretch of limb between two places, with a margin, as a closed path. */
export function regionAround(band: GeometryBand, shape: LegShape, flip: Flip, marginCm: number): string {
  const axis = band.axis === 'foot' ? 'foot' : 'leg'
  const steps = Math.max(2, Math.ceil((band.toCm - band.fromCm) / 3))
  const at = (index: number): number => band.fromCm + ((band.toCm - band.fromCm) * index) / steps
  const line = (face: 'front' | 'back'): Point[] =>
    Array.from({ length: steps + 1 }, (_, index): Point => {
      const [x, y] = shape.placeAt(axis, Math.max(0, at(index)), face)
      const outward = face === 'front' ? marginCm : -marginCm
      return axis === 'foot' ? [x + outward, y] : [x, y + outward]
    })
  return straightPath([...line('front'), ...line('back').reverse()].map(flip), true)
}

/** A boot reaches from the sole to its top, with the toes in it. */
export function bootRegion(band: GeometryBand, shape: LegShape, flip: Flip): string {
  const { minX, minY, maxY } = shape.bounds
  const corners: readonly Point[] = [
    [minX - 2, minY - 2],
    [band.toCm, minY - 2],
    [band.toCm, maxY + 2],
    [minX - 2, maxY + 2],
  ]
  return straightPath(corners.map(flip), true)
}
