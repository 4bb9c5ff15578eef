import type { Point } from './points'

/**
 * A smooth SVG path through points: Catmull–Rom tangents, with handles no longer than a third of their own
 * segment, so that close points never make a loop. `tension` 0 is straight.
 */
export function smoothPath(points: readonly Point[], isClosed = false, tension = 0.5): string {
  const n = points.length
  const [first] = points
  if (!first) return ''
  const at = (index: number): Point => (isClosed ? points[(index + n) % n] : points[Math.min(n - 1, Math.max(0, index))]) ?? first
  const parts = [`M${format(first)}`]
  for (let i = 0; i < (isClosed ? n : n - 1); i++) {
    const [p0, p1, p2, p3] = [at(i - 1), at(i), at(i + 1), at(i + 2)]
    const reach = (Math.hypot(p2[0] - p1[0], p2[1] - p1[1]) * tension) / 1.5
    const [t1, t2] = [towards(p0, p2), towards(p1, p3)]
    const c1: Point = [p1[0] + t1[0] * reach, p1[1] + t1[1] * reach]
    const c2: Point = [p2[0] - t2[0] * reach, p2[1] - t2[1] * reach]
    parts.push(`C${format(c1)} ${format(c2)} ${format(p2)}`)
  }
  return parts.join(' ') + (isClosed ? 'Z' : '')
}

/** A straight path through points. */
export function straightPath(points: readonly Point[], isClosed = false): string {
  return points.map((point, index) => `${index === 0 ? 'M' : 'L'}${format(point)}`).join(' ') + (isClosed ? 'Z' : '')
}

/** Unit vector from one point to another; nought when they coincide. */
function towards(from: Point, to: Point): Point {
  const length = Math.hypot(to[0] - from[0], to[1] - from[1])
  return length === 0 ? [0, 0] : [(to[0] - from[0]) / length, (to[1] - from[1]) / length]
}

function format(point: Point): string {
  return `${point[0].toFixed(2)} ${point[1].toFixed(2)}`
}
