import type { Geometry } from '#core/model/geometry'
import type { Point } from './smooth-path'

export type View = 'front' | 'side'

/** A neck or trunk upright: x across from its middle, y up from the lower end of its axis, cm. */
export interface ColumnShape {
  /** Right half from the bottom up; the left half mirrors it in the front view. */
  readonly right: readonly Point[]
  readonly left: readonly Point[]
  readonly halfAt: (atCm: number, view: View) => readonly [number, number]
  readonly minY: number
  readonly maxY: number
  readonly half: number
}

/** Breadth and depth of a part as shares of girth ÷ π: a trunk is wider than deep, a neck nearly round. */
const shares = { trunk: { front: 1.2, side: 0.8 }, neck: { front: 1, side: 1.04 } } as const

/** Shapes a neck with head and shoulders, or a trunk with hips and shoulders, from its geometry. */
export function shapeColumn(geometry: Geometry, view: View): ColumnShape {
  const isNeck = geometry.body === 'neck'
  const share = shares[isNeck ? 'neck' : 'trunk'][view]
  const stations = [...geometry.stations].sort((a, b) => a.atCm - b.atCm)
  const lengthCm = geometry.axes[0]?.lengthCm ?? 6
  const half = (girthCm: number): number => (girthCm / Math.PI / 2) * share
  const girthAt = (atCm: number): number => {
    const upper = stations.findIndex((station) => station.atCm >= atCm)
    const above = stations[upper < 0 ? stations.length - 1 : upper]
    const below = stations[Math.max(0, upper - 1)]
    if (!above || !below || upper <= 0) return (above ?? below)?.girthCm ?? 40
    return below.girthCm + ((atCm - below.atCm) / (above.atCm - below.atCm)) * (above.girthCm - below.girthCm)
  }
  const body = [0, 0.25, 0.5, 0.75, 1].map((at): Point => [half(girthAt(at * lengthCm)), at * lengthCm])
  const neckHalf = half(girthAt(lengthCm / 2))
  const right = isNeck ? neckOutline(view, neckHalf, lengthCm, 1) : trunkOutline(view, body, lengthCm)
  const left = isNeck
    ? neckOutline(view, neckHalf, lengthCm, -1)
    : (view === 'front' ? right : trunkBack(body, lengthCm)).map(([x, y]): Point => [-x, y])
  const all = [...right, ...left]
  return {
    right,
    left,
    halfAt: (atCm) => {
      const h = half(girthAt(Math.min(Math.max(atCm, 0), lengthCm)))
      return [-h, h]
    },
    minY: Math.min(...all.map((point) => point[1])),
    maxY: Math.max(...all.map((point) => point[1])),
    half: Math.max(...all.map((point) => Math.abs(point[0]))),
  }
}

/** Shoulder, neck, jaw and head; from the side the face looks to the right. */
function neckOutline(view: View, neckHalf: number, lengthCm: number, sign: 1 | -1): readonly Point[] {
  const head = 21
  if (view === 'front') {
    const points: Point[] = [
      [19, -7],
      [17.5, -2.6],
      [neckHalf + 4, -0.6],
      [neckHalf + 0.4, 1.2],
      [neckHalf, lengthCm * 0.6],
      [neckHalf * 0.98, lengthCm],
      [7.1, lengthCm + 3.5],
      [7.9, lengthCm + 9],
      [7.2, lengthCm + 16],
      [3.6, lengthCm + head],
      [0, lengthCm + head + 0.8],
    ]
    return points.map(([x, y]): Point => [sign * x, y])
  }
  return sign === 1
    ? [
        [10.5, -7],
        [8.5, -3],
        [neckHalf + 0.8, 0],
        [neckHalf * 0.92, lengthCm * 0.7],
        [9.4, lengthCm],
        [10.3, lengthCm + 2.4],
        [9.6, lengthCm + 5],
        [11.2, lengthCm + 8],
        [9.3, lengthCm + 12],
        [8.4, lengthCm + 17],
        [4, lengthCm + head],
        [-1, lengthCm + head + 0.8],
      ]
    : [
        [-9, -7],
        [-7.6, -2],
        [-neckHalf - 0.4, 1.5],
        [-neckHalf, lengthCm],
        [-7.8, lengthCm + 4],
        [-9.6, lengthCm + 10],
        [-8.6, lengthCm + 17],
        [-4.5, lengthCm + head],
        [-1, lengthCm + head + 0.8],
      ]
}

/** Thigh, hip, waist, chest and shoulder up to the neck. */
function trunkOutline(view: View, body: readonly Point[], lengthCm: number): readonly Point[] {
  const [hip = [15, 0] as Point] = body
  const chest = body[3]?.[0] ?? 14
  return view === 'front'
    ? [
        [hip[0] * 0.94, -9],
        ...body.slice(0, 4),
        [chest + 2.6, lengthCm * 0.94],
        [chest + 1.2, lengthCm + 2.4],
        [6.4, lengthCm + 3.6],
        [5.6, lengthCm + 9],
      ]
    : [[hip[0] * 0.86, -9], [hip[0] * 0.9, 0], ...body.slice(1, 4), [chest * 0.7, lengthCm], [4.6, lengthCm + 3.4], [5, lengthCm + 9]]
}

function trunkBack(body: readonly Point[], lengthCm: number): readonly Point[] {
  const [hip = [11, 0] as Point, low = [10, 12] as Point, waist = [9, 24] as Point, chest = [11, 36] as Point] = body
  return [
    [hip[0] * 0.8, -9],
    [hip[0] * 1.1, 0],
    [low[0] * 0.92, low[1]],
    [waist[0] * 0.82, waist[1]],
    [chest[0] * 1.05, chest[1]],
    [chest[0] * 0.86, lengthCm],
    [5.4, lengthCm + 4],
    [5, lengthCm + 9],
  ]
}
