/** A point of a photo, pixels. */
export type PhotoPoint = readonly [number, number]

export interface PhotoLength {
  readonly cm: number
  /** What the photo adds to the doubt, cm: 2 % of the length. */
  readonly errorCm: number
}

const lengthErrorShare = 0.02
const leastBarPx = 8

/** What is wrong with a scale bar, in words, or null. */
export function checkScaleBar(from: PhotoPoint, to: PhotoPoint, barCm: number): string | null {
  if (!(barCm > 0) || barCm > 200) return 'The scale bar must be from 0.1 to 200 cm long: enter what is printed on it.'
  if (distance(from, to) < leastBarPx) return 'The scale bar has no length on the photo: put its ends on both ends of the bar.'
  return null
}

/**
 * A length read from a photo by a scale bar in the same plane.
 * @param barCm true length of the bar, cm, above 0
 * @returns cm, or null while the bar has no length
 * @example measurePhotoLength([0, 0], [100, 0], 10, [0, 50], [250, 50]) // { cm: 25, errorCm: 0.5 }
 */
export function measurePhotoLength(
  barFrom: PhotoPoint,
  barTo: PhotoPoint,
  barCm: number,
  from: PhotoPoint,
  to: PhotoPoint,
): PhotoLength | null {
  if (checkScaleBar(barFrom, barTo, barCm) !== null) return null
  const cm = (distance(from, to) / distance(barFrom, barTo)) * barCm
  return { cm, errorCm: lengthErrorShare * cm }
}

/**
 * The angle at `corner` between two arms of a photo, degrees, 0 to 180; error 2°.
 * @returns null while an arm has no length
 */
export function measurePhotoAngle(first: PhotoPoint, corner: PhotoPoint, second: PhotoPoint): number | null {
  const a = [first[0] - corner[0], first[1] - corner[1]] as const
  const b = [second[0] - corner[0], second[1] - corner[1]] as const
  const lengths = Math.hypot(...a) * Math.hypot(...b)
  if (lengths < leastBarPx ** 2) return null
  return (Math.acos(Math.min(1, Math.max(-1, (a[0] * b[0] + a[1] * b[1]) / lengths))) * 180) / Math.PI
}

function distance(a: PhotoPoint, b: PhotoPoint): number {
  return Math.hypot(a[0] - b[0], a[1] - b[1])
}
