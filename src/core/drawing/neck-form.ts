import { bothSides, mirrored, type ColumnBody, type ColumnForm, type View } from './column-form'
import { headFromFront, headFromSide, placeHead, youngHead } from './head-form'
import { boundsOf, type Point } from './points'

/** The shoulders are drawn down to here, cm under the shoulder line. */
const shoulderDepthCm = 11

/**
 * Height of a head from chin to crown by stature, cm: about 22.5 at 170 cm and 18.5 at 105 cm, so that a child's head is large for its neck.
 */
export function headHeightCm(statureCm: number): number {
  return 12 + 0.0617 * statureCm
}

/** Neck with head and shoulders; eyes in the middle of the head's height. */
export function neckForm(body: ColumnBody, view: View): ColumnForm {
  return view === 'front' ? frontForm(body) : sideForm(body)
}

function frontForm({ lengthCm, girthAt, statureCm }: ColumnBody): ColumnForm {
  const head = headHeightCm(statureCm)
  const half = girthAt(lengthCm / 2) / Math.PI / 2
  const shoulder = Math.max(0.128 * statureCm, half * 2.2)
  const edge: readonly Point[] = [
    [half * 1.12, 0],
    [half * 1.02, lengthCm * 0.35],
    [half, lengthCm * 0.7],
    [half * 1.02, lengthCm],
  ]
  const right: readonly Point[] = [
    [shoulder * 0.98, -shoulderDepthCm],
    [shoulder, -8],
    [shoulder * 0.93, -4.4],
    [shoulder * 0.7, -2.3],
    [half + (shoulder - half) * 0.22, -0.8],
    ...edge,
    [half, lengthCm + head * 0.25],
  ]
  const { outlines, hair, features } = placeHead(youngHead(headFromFront, statureCm), [0, lengthCm], head)
  return {
    outlines: [bothSides(right), ...outlines],
    hair,
    creases: [
      ...features,
      // Collar bones, the notch between them, and the cords of the neck.
      [
        [1.5, -3],
        [shoulder * 0.35, -2.2],
        [shoulder * 0.7, -2.9],
      ],
      [
        [-1.5, -3],
        [-shoulder * 0.35, -2.2],
        [-shoulder * 0.7, -2.9],
      ],
      [
        [-1.3, -2.8],
        [0, -3.6],
        [1.3, -2.8],
      ],
      [
        [half * 0.75, lengthCm * 0.9],
        [half * 0.45, lengthCm * 0.3],
        [1.6, -2.4],
      ],
      [
        [-half * 0.75, lengthCm * 0.9],
        [-half * 0.45, lengthCm * 0.3],
        [-1.6, -2.4],
      ],
    ],
    edges: [mirrored(edge), edge],
    bounds: boundsOf([...bothSides(right), [0, lengthCm + head * 1.03]]),
  }
}

function sideForm({ lengthCm, girthAt, statureCm, headTiltDeg }: ColumnBody): ColumnForm {
  const head = headHeightCm(statureCm)
  const half = (girthAt(lengthCm / 2) / Math.PI / 2) * 1.04
  /** The head stands a little before the neck. */
  const ahead = half * 0.18
  const front: readonly Point[] = [
    [half * 1.06, -0.8],
    [half * 0.96, lengthCm * 0.4],
    [half * 0.98 + ahead * 0.6, lengthCm * 0.75],
    [half + ahead, lengthCm],
  ]
  const back: readonly Point[] = [
    [-half * 1.2, 0],
    [-half * 1.02, lengthCm * 0.5],
    [-half * 0.98 + ahead * 0.6, lengthCm * 0.85],
    [-half * 0.95 + ahead, lengthCm],
  ]
  const neck: readonly Point[] = [
    [half * 2.1, -shoulderDepthCm],
    [half * 1.85, -6],
    [half * 1.35, -2.8],
    ...front,
    [half * 0.9 + ahead, lengthCm + head * 0.1],
    [-half * 0.9 + ahead, lengthCm + head * 0.3],
    ...[...back].reverse(),
    [-half * 1.75, -3.4],
    [-half * 2, -7],
    [-half * 2, -shoulderDepthCm],
  ]
  const placed = placeHead(youngHead(headFromSide, statureCm), [ahead, lengthCm], head)
  // It turns about the joint that lies 11 cm behind the chin.
  const tilted = (points: readonly Point[]): readonly Point[] => turned(points, [ahead + 0.34 * head - 11, lengthCm], headTiltDeg)
  const [outlines, hair, features] = [placed.outlines.map(tilted), tilted(placed.hair), placed.features.map(tilted)]
  return {
    outlines: [neck, ...outlines],
    hair,
    creases: [
      ...features,
      // The front edge of the trapezius, and the shoulder.
      [
        [-half * 0.7 + ahead, lengthCm * 0.9],
        [-half * 0.35, 0.4],
        [half * 0.3, -3.4],
      ],
      [
        [half * 0.9, -shoulderDepthCm + 1],
        [half * 1.1, -7],
        [half * 0.3, -4.4],
        [-half * 0.8, -5],
        [-half * 1.1, -8],
      ],
    ],
    edges: [back, front],
    bounds: boundsOf([...neck, ...outlines.flat(), ...hair]),
  }
}

/** Points turned about one of them, towards the back for a face that looks to greater x. */
function turned(points: readonly Point[], [cx, cy]: Point, deg: number): readonly Point[] {
  const [cos, sin] = [Math.cos((deg * Math.PI) / 180), Math.sin((deg * Math.PI) / 180)]
  return points.map(([x, y]): Point => [cx + (x - cx) * cos - (y - cy) * sin, cy + (x - cx) * sin + (y - cy) * cos])
}
