import type { Bounds, Point } from './points'

export type View = 'front' | 'side'

/** A neck or trunk upright, cm: x across from its middle, y up from the lower end of its axis. From the side it looks to the right. */
export interface ColumnForm {
  /** Closed outlines that grow into one another. */
  readonly outlines: readonly (readonly Point[])[]
  /** A cap of hair, closed. */
  readonly hair?: readonly Point[]
  /** The near arm from the side, closed: it hangs before everything that is worn. */
  readonly nearArm?: readonly Point[]
  /** Lines of anatomy. */
  readonly creases: readonly (readonly Point[])[]
  /** The edges of the part that is measured, from its lower end up: left (or back) and right (or front). */
  readonly edges: readonly [readonly Point[], readonly Point[]]
  readonly bounds: Bounds
}

/** What a form is made of. */
export interface ColumnBody {
  readonly lengthCm: number
  /** Girth at a height of the axis, cm. */
  readonly girthAt: (atCm: number) => number
  /** Of the patient, or an adult's where nobody knows it. */
  readonly statureCm: number
  /** How far the head is tilted back, degrees; below 0 it nods. */
  readonly headTiltDeg: number
}

/** Points and their mirror about the middle. */
export function mirrored(points: readonly Point[]): readonly Point[] {
  return points.map(([x, y]): Point => [-x, y])
}

/** A closed outline from its right half, from the bottom up. */
export function bothSides(right: readonly Point[]): readonly Point[] {
  return [...right, ...[...mirrored(right)].reverse()]
}
