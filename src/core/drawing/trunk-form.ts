import { bothSides, mirrored, type ColumnBody, type ColumnForm, type View } from './column-form'
import { boundsOf, type Point } from './points'

/** How far thighs are drawn under the pubic bone, and the neck over the notch, cm. */
const below = 13
const above = 10
/** Half breadth and half depth as shares of girth ÷ 2π: a trunk is wider than deep. */
const broad = { hip: 1.17, waist: 1.17, chest: 1.13 }
const deep = { hip: 0.83, waist: 0.82, chest: 0.84 }

/** Trunk from thighs to neck, arms beside it from the front. */
export function trunkForm(body: ColumnBody, view: View): ColumnForm {
  return view === 'front' ? frontForm(body) : sideForm(body)
}

/** Half breadths or depths at hip, waist and chest. */
function halves({ lengthCm, girthAt }: ColumnBody, share: typeof broad): { hip: number; waist: number; chest: number } {
  const at = (part: number, times: number): number => (girthAt(part * lengthCm) / Math.PI / 2) * times
  return { hip: at(0.06, share.hip), waist: at(0.42, share.waist), chest: at(0.82, share.chest) }
}

function frontForm(body: ColumnBody): ColumnForm {
  const { lengthCm: L, statureCm } = body
  const { hip, waist, chest } = halves(body, broad)
  const shoulder = Math.max(0.124 * statureCm, chest * 1.25)
  const neck = 0.034 * statureCm
  const arm = 0.026 * statureCm
  const edge: readonly Point[] = [
    [hip * 0.99, 0],
    [hip, 0.06 * L],
    [hip * 0.96, 0.17 * L],
    [waist * 1.03, 0.33 * L],
    [waist, 0.42 * L],
    [(waist + chest) * 0.49, 0.6 * L],
    [chest, 0.82 * L],
    [chest, 0.9 * L],
  ]
  const torso = bothSides([
    [0.6, -1.4],
    [hip * 0.5, -1],
    ...edge,
    [shoulder * 0.86, L * 0.99],
    [shoulder * 0.6, L + 2.4],
    [neck + 2.4, L + 3.8],
    [neck * 1.02, L + 6],
    [neck, L + above],
  ])
  const rightArm = limbAlong(
    [
      [shoulder * 0.83, L * 1.03],
      [shoulder * 0.95, 0.93 * L],
      [shoulder * 1.07, 0.72 * L],
      [shoulder * 1.15, 0.47 * L],
      [shoulder * 1.22, 0.22 * L],
      [shoulder * 1.27, -below],
    ],
    [arm * 0.5, arm * 1.06, arm * 0.98, arm * 0.84, arm * 0.84, arm * 0.6],
  )
  const thigh: readonly Point[] = [
    [0.7, 1],
    [1, -3],
    [1.9, -below],
    [hip * 0.88, -below],
    [hip * 0.97, -5],
    [hip * 0.99, 0],
    [hip * 0.9, 5],
  ]
  return {
    outlines: [rightArm, mirrored(rightArm), thigh, mirrored(thigh), torso],
    creases: [
      [
        [0, 0.335 * L],
        [0.3, 0.325 * L],
        [0, 0.315 * L],
      ],
      // Groins, hip crests, rib edge, breast muscle, collar bones.
      ...both([
        [1, -1],
        [hip * 0.45, 0.05 * L],
        [hip * 0.86, 0.16 * L],
      ]),
      ...both([
        [hip * 0.97, 0.25 * L],
        [hip * 0.86, 0.31 * L],
        [hip * 0.66, 0.32 * L],
      ]),
      ...both([
        [0.8, 0.72 * L],
        [chest * 0.42, 0.6 * L],
        [chest * 0.78, 0.52 * L],
      ]),
      ...both([
        [chest * 0.15, 0.77 * L],
        [chest * 0.55, 0.745 * L],
        [chest * 0.9, 0.83 * L],
      ]),
      ...both([
        [1.5, L],
        [shoulder * 0.4, L + 1.4],
        [shoulder * 0.74, L + 0.7],
      ]),
      [
        [-1.3, L + 0.3],
        [0, L - 0.6],
        [1.3, L + 0.3],
      ],
    ],
    edges: [mirrored(edge), edge],
    bounds: boundsOf([...rightArm, ...mirrored(rightArm), [0, -below], [0, L + above]]),
  }
}

/** A limb from its middle line and half its breadth at each point of it, cm. */
function limbAlong(middle: readonly Point[], half: readonly number[]): readonly Point[] {
  const edge = (sign: 1 | -1): Point[] => middle.map(([x, y], index): Point => [x + sign * (half[index] ?? 0), y])
  return [...edge(1), ...edge(-1).reverse()]
}

function both(points: readonly Point[]): readonly (readonly Point[])[] {
  return [points, mirrored(points)]
}

function sideForm(body: ColumnBody): ColumnForm {
  const { lengthCm: L, statureCm } = body
  const { hip, waist, chest } = halves(body, deep)
  const neck = 0.034 * statureCm
  const front: readonly Point[] = [
    [hip * 0.78, 0],
    [hip * 0.86, 0.07 * L],
    [waist * 1.06, 0.22 * L],
    [waist * 1.02, 0.42 * L],
    [(waist + chest) * 0.49, 0.6 * L],
    [chest * 0.98, 0.78 * L],
    [chest * 0.8, 0.92 * L],
    [chest * 0.56, L],
  ]
  const back: readonly Point[] = [
    [-hip * 1.0, 0],
    [-hip * 1.08, 0.08 * L],
    [-hip * 0.94, 0.2 * L],
    [-waist * 0.86, 0.34 * L],
    [-waist * 0.9, 0.46 * L],
    [-chest * 0.98, 0.66 * L],
    [-chest * 1.04, 0.8 * L],
    [-chest * 0.94, 0.93 * L],
    [-chest * 0.8, L],
  ]
  const outline: readonly Point[] = [
    [hip * 0.66, -below],
    [hip * 0.76, -5],
    ...front,
    [neck * 0.85, L + 3.4],
    [neck * 0.95 + 0.8, L + above],
    [-neck * 0.8 + 0.8, L + above],
    [-neck * 0.95, L + 5.5],
    [-chest * 0.64, L + 2.2],
    ...[...back].reverse(),
    [-hip * 0.82, -3],
    [-hip * 0.6, -below],
  ]
  const arm = 0.026 * statureCm
  return {
    outlines: [outline],
    // Hangs with the elbow a little bent, as an arm does that nobody holds.
    nearArm: limbAlong(
      [
        [-chest * 0.12, L * 1.02],
        [-chest * 0.14, 0.93 * L],
        [-chest * 0.24, 0.72 * L],
        [-chest * 0.26, L - 0.186 * statureCm],
        [-chest * 0.12, 0.2 * L],
        [chest * 0.14, -below],
      ],
      [arm * 0.5, arm * 1.24, arm * 1.04, arm * 0.92, arm * 0.92, arm * 0.62],
    ),
    creases: [
      [
        [-hip * 0.8, -2.6],
        [-hip * 0.4, -1.6],
      ],
      [
        [hip * 0.5, 0.3 * L],
        [0, 0.325 * L],
        [-hip * 0.6, 0.27 * L],
      ],
    ],
    edges: [back, front],
    bounds: boundsOf(outline),
  }
}
