export type Point = readonly [number, number]

/** A smooth SVG path through points (Catmull–Rom turned to Béziers); `tension` 0 is straight. */
export function smoothPath(points: readonly Point[], isClosed = false, tension = 0.5): string {
  const n = points.length
  const [first] = points
  if (!first) return ''
  const at = (index: number): Point =>
    (isClosed ? points[(index + n) % n] : points[Math.min(n - 1, Math.max(0, index))]) ?? first
  const parts = [`M${format(first)}`]
  for (let i = 0; i < (isClosed ? n : n - 1); i++) {
    const [p0, p1, p2, p3] = [at(i - 1), at(i), at(i + 1), at(i + 2)]
    const c1: Point = [p1[0] + ((p2[0] - p0[0]) * tension) / 3, p1[1] + ((p2[1] - p0[1]) * tension) / 3]
    const c2: Point = [p2[0] - ((p3[0] - p1[0]) * tension) / 3, p2[1] - ((p3[1] - p1[1]) * tension) / 3]
    parts.push(`C${format(c1)} ${format(c2)} ${format(p2)}`)
  }
  return parts.join(' ') + (isClosed ? 'Z' : '')
}

/** A straight path through points. */
export function straightPath(points: readonly Point[], isClosed = false): string {
  return points.map((point, index) => `${index === 0 ? 'M' : 'L'}${format(point)}`).join(' ') + (isClosed ? 'Z' : '')
}

function format(point: Point): string {
  return `${point[0].toFixed(2)} ${point[1].toFixed(2)}`
}
