import { bothSides, type ColumnBody, type View } from './column-form'
import { headHeightCm } from './neck-form'
import type { Point } from './points'

/** A collar round a neck, cm: x from its middle (from the side towards the face), y up from the shoulder line. */
export interface CollarForm {
  /** Closed: chest piece, sides, and the rest for chin and back of the head. */
  readonly outline: readonly Point[]
  /** The opening over the windpipe, from the front. */
  readonly opening: { readonly at: Point; readonly rx: number; readonly ry: number } | null
  /** The rim on which the chin lies. */
  readonly chinRest: readonly Point[]
}

/**
 * A collar of a height: it stands on chest and shoulders, carries chin and back of the head, and leaves the windpipe free.
 * @param toCm height from the shoulder line to under the chin
 */
export function collarForm(body: ColumnBody, view: View, toCm: number): CollarForm {
  const half = body.girthAt(body.lengthCm / 2) / Math.PI / 2
  return view === 'front' ? fromFront(half, toCm) : fromSide(body, half, toCm)
}

function fromFront(half: number, L: number): CollarForm {
  const right: readonly Point[] = [
    [half * 0.3, -4.7],
    [half * 0.8, -4],
    [half * 1.2, -2],
    [half * 1.5, -0.4],
    [half * 1.3, L * 0.5],
    [half * 1.42, L + 1.4],
    [half * 1.34, L + 2.9],
    [half * 1.02, L + 2.1],
    [half * 0.62, L + 1],
    [half * 0.25, L + 0.8],
  ]
  return {
    outline: bothSides(right),
    opening: { at: [0, L * 0.22], rx: half * 0.34, ry: Math.max(0.9, L * 0.3) },
    chinRest: [
      [-half * 1.2, L + 1.6],
      [-half * 0.5, L - 0.5],
      [0, L - 0.8],
      [half * 0.5, L - 0.5],
      [half * 1.2, L + 1.6],
    ],
  }
}

function fromSide({ statureCm }: ColumnBody, neckHalf: number, L: number): CollarForm {
  const half = neckHalf * 1.04
  const ahead = half * 0.18
  const chin = ahead + 0.4 * headHeightCm(statureCm)
  return {
    outline: [
      [half * 1.75, -4.8],
      [half * 1.35, -1.6],
      [half * 1.24, L * 0.45],
      [half * 1.3 + ahead, L - 1],
      [chin + 0.4, L - 0.2],
      [chin + 1, L + 1],
      [chin + 0.5, L + 1.6],
      [half * 0.9 + ahead, L + 1],
      [half * 0.2, L + 2.2],
      [-half * 0.5, L + 3.4],
      [-half * 1.22 + ahead, L + 4],
      [-half * 1.3 + ahead, L * 0.9],
      [-half * 1.22, L * 0.4],
      [-half * 1.5, -1.6],
      [-half * 0.6, -2],
      [half * 0.5, -2.4],
      [half * 1.2, -4.6],
    ],
    opening: null,
    chinRest: [
      [chin + 0.5, L - 0.1],
      [half + ahead, L - 0.4],
      [half * 0.2, L + 1.2],
      [-half * 0.6, L + 2.4],
    ],
  }
}
