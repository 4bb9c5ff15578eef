/** A place of a drawing: cm of the body (x across the page, y up) or pixels of the frame, as the function says. */
export type Point = readonly [number, number]

/** The rectangle that holds something, in the unit of its points. */
export interface Bounds {
  readonly minX: number
  readonly maxX: number
  readonly minY: number
  readonly maxY: number
}

/** The least rectangle round points; of none, the origin. */
export function boundsOf(points: readonly Point[]): Bounds {
  const xs = points.map((point) => point[0])
  const ys = points.map((point) => point[1])
  if (points.length === 0) return { minX: 0, maxX: 0, minY: 0, maxY: 0 }
  return { minX: Math.min(...xs), maxX: Math.max(...xs), minY: Math.min(...ys), maxY: Math.max(...ys) }
}

/** Where a straight run of points passes `x`; before the first and after the last their own height. */
export function heightAt(points: readonly Point[], x: number): number {
  const after = points.findIndex((point) => point[0] >= x)
  const next = points[after < 0 ? points.length - 1 : after]
  const before = points[after - 1]
  if (!next) return 0
  if (!before || after < 0) return next[1]
  return next[0] === before[0] ? next[1] : before[1] + ((x - before[0]) / (next[0] - before[0])) * (next[1] - before[1])
}
