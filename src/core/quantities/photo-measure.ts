/** A point of a photo, pixels. */
export type PhotoPoint = readonly [number, number]

const leastBarPx = 8

/** What is wrong with a scale bar, in words, or null. */
export function checkScaleBar(from: PhotoPoint, to: PhotoPoint, barCm: number): string | null {
  if (!(barCm > 0) || barCm > 200) return 'The scale bar must be from 0.1 to 200 cm long: enter what is printed on it.'
  if (distance(from, to) < leastBarPx) return 'The scale bar has no length on the photo: put its ends on both ends of the bar.'
  return null
}

/**
 * The length of a path read from a photo along the points placed on it, by a scale bar. The path is the smooth line through them
 * (`smoothLine`), never straight strokes from corner to corner.
 * @param barCm true length of the bar, cm, above 0
 * @param points in order along the limb, pixels, two or more
 * @returns cm, or null while the bar has no length or the path fewer than two points
 * @example measurePhotoPath([0, 0], [100, 0], 10, [[0, 50], [250, 50]]) // 25
 */
export function measurePhotoPath(barFrom: PhotoPoint, barTo: PhotoPoint, barCm: number, points: readonly PhotoPoint[]): number | null {
  if (checkScaleBar(barFrom, barTo, barCm) !== null || points.length < 2) return null
  const line = smoothLine(points)
  const lengthPx = line.slice(1).reduce((sum, point, index) => sum + distance(line[index]!, point), 0)
  return (lengthPx / distance(barFrom, barTo)) * barCm
}

const strokes = 24
const nearlyOnePx = 1e-6

/**
 * A smooth line through points, as the short strokes that it is drawn and measured by: a centripetal Catmull–Rom spline (Yuksel, Schaefer
 * and Keyser 2011), which neither overshoots nor loops between points that lie unevenly. Points on top of each other count once.
 * @returns the points themselves where there are fewer than three
 */
export function smoothLine(points: readonly PhotoPoint[]): readonly PhotoPoint[] {
  const apart = points.filter((point, index) => index === 0 || distance(point, points[index - 1]!) > nearlyOnePx)
  if (apart.length < 3) return apart
  const before = mirror(apart[0]!, apart[1]!)
  const behind = mirror(apart.at(-1)!, apart.at(-2)!)
  const all = [before, ...apart, behind]
  const line: PhotoPoint[] = [apart[0]!]
  for (let index = 1; index < all.length - 2; index++) {
    const stretch = [all[index - 1]!, all[index]!, all[index + 1]!, all[index + 2]!] as const
    for (let stroke = 1; stroke <= strokes; stroke++) line.push(pointBetween(stretch, stroke / strokes))
  }
  return line
}

/** The point at a share, 0 to 1, of the way from the second of four points to the third (Barry and Goldman's pyramid). */
function pointBetween([a, b, c, d]: readonly [PhotoPoint, PhotoPoint, PhotoPoint, PhotoPoint], share: number): PhotoPoint {
  const tb = Math.sqrt(distance(a, b))
  const tc = tb + Math.sqrt(distance(b, c))
  const td = tc + Math.sqrt(distance(c, d))
  const t = tb + share * (tc - tb)
  const mix = (p: PhotoPoint, q: PhotoPoint, from: number, to: number): PhotoPoint => {
    const part = (t - from) / (to - from)
    return [p[0] + part * (q[0] - p[0]), p[1] + part * (q[1] - p[1])]
  }
  const [ab, bc, cd] = [mix(a, b, 0, tb), mix(b, c, tb, tc), mix(c, d, tc, td)]
  return mix(mix(ab, bc, 0, tc), mix(bc, cd, tb, td), tb, tc)
}

/** The point as far on the other side of `end` as `next` is on this one. */
function mirror(end: PhotoPoint, next: PhotoPoint): PhotoPoint {
  return [2 * end[0] - next[0], 2 * end[1] - next[1]]
}

/**
 * The angle at `corner` between two arms of a photo, degrees, 0 to 180.
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
