import { handForm } from '#core/drawing/hand-form'
import { headFromBehind, headFromFront, headFromSide, placeHead } from '#core/drawing/head-form'
import type { Point } from '#core/drawing/points'
import { smoothPath } from '#core/drawing/smooth-path'
import type { BodyView } from './body-zones'

/** A view of the body in the units of the chart: closed paths that grow into one another, a cap of hair, and lines of anatomy. */
export interface BodyFigure {
  readonly paths: readonly string[]
  readonly hair: string
  readonly lines: readonly string[]
}

const middle = 150
const headHeight = 64
const chinY = 67

/** A place of the right half, from the middle line. */
const right = (points: readonly Point[]): readonly Point[] => points.map(([x, y]): Point => [middle + x, y])
const left = (points: readonly Point[]): readonly Point[] => points.map(([x, y]): Point => [middle - x, y])
const closed = (points: readonly Point[]): string => smoothPath(points, true, 0.42)
const both = (points: readonly Point[]): readonly string[] => [closed(right(points)), closed(left(points))]
const linesOf = (points: readonly Point[]): readonly string[] => [smoothPath(right(points)), smoothPath(left(points))]

/** A limb from its middle line and half breadths, each as across, down, half. */
function limb(rows: readonly (readonly [number, number, number])[]): readonly Point[] {
  return [...rows.map(([x, y, half]): Point => [x + half, y]), ...[...rows].reverse().map(([x, y, half]): Point => [x - half, y])]
}

const torso: readonly Point[] = [
  [10.5, 52],
  [10.5, 72],
  [13, 82],
  [24, 89],
  [38, 94],
  [40, 112],
  [37.5, 134],
  [33, 160],
  [29.5, 186],
  [32, 208],
  [36.5, 232],
  [37, 250],
  [20, 262],
  [1.5, 261],
]
const arm = limb([
  [38, 95, 6],
  [46, 104, 10.5],
  [52, 126, 9.6],
  [58, 152, 8.4],
  [64.5, 176, 8],
  [71, 196, 8.2],
  [80, 226, 6.6],
  [86.5, 250, 4.9],
  [88, 256, 4.6],
])
const leg = limb([
  [20, 238, 17],
  [20.5, 262, 18.2],
  [22.5, 300, 15.4],
  [25.5, 334, 11.6],
  [27, 356, 10.8],
  [27.8, 378, 10.6],
  [29.5, 402, 11.8],
  [30, 430, 9],
  [30.5, 462, 6.4],
  [30.8, 482, 6.6],
])
const foot: readonly Point[] = [
  [24.4, 478],
  [23, 494],
  [21.6, 508],
  [22, 520],
  [26, 525],
  [33, 526],
  [40, 524],
  [43.5, 517],
  [42, 506],
  [38.6, 492],
  [37.2, 478],
]
const heel: readonly Point[] = [
  [24.4, 474],
  [23.6, 490],
  [23, 506],
  [25, 516],
  [31, 519],
  [37, 516],
  [39, 506],
  [38, 490],
  [37.2, 474],
]

/** The hand of a side, hanging from the wrist, the thumb outward. */
function hand(isRight: boolean): { readonly paths: readonly string[]; readonly palm: string } {
  const turn = 0.22
  const draw = ([x, y]: Point): Point => {
    // Along the fingers is down, the thumb's side outward.
    const [down, out] = [-x, y]
    const [dx, dy] = [88 + down * Math.sin(turn) + out * Math.cos(turn), 252 + down * Math.cos(turn) - out * Math.sin(turn)]
    return [isRight ? middle + dx : middle - dx, dy]
  }
  const form = handForm(22, 9.6, 5.4, draw)
  const palm: readonly Point[] = [[4, 5.2], [0, 5.2], ...form.thumbEdge, ...form.littleEdge, [0, -5.2], [4, -5.2]]
  return { paths: form.digits, palm: closed(palm.map(draw)) }
}

function upright(view: 'front' | 'back'): BodyFigure {
  const head = placeHead(view === 'front' ? headFromFront : headFromBehind, [0, 0], headHeight)
  const place = (points: readonly Point[]): readonly Point[] => points.map(([x, y]): Point => [middle + x, chinY - y])
  const hands = [hand(true), hand(false)]
  const lines: readonly (readonly Point[])[] =
    view === 'front'
      ? [
          [
            [3, 92],
            [16, 88],
            [30, 91],
          ],
          [
            [4, 128],
            [20, 134],
            [34, 124],
          ],
          [
            [2, 232],
            [18, 243],
            [33, 226],
          ],
          [
            [2, 158],
            [13, 172],
            [24, 186],
          ],
          [
            [19, 338],
            [26, 331],
            [33, 338],
          ],
          [
            [21, 350],
            [26, 355],
            [32, 350],
          ],
          [
            [26, 521],
            [26.5, 525],
          ],
          [
            [30.5, 522],
            [30.5, 526],
          ],
          [
            [35, 522],
            [35, 525.5],
          ],
        ]
      : [
          [
            [9, 102],
            [20, 112],
            [27, 132],
            [17, 146],
          ],
          [
            [3, 258],
            [18, 264],
            [32, 254],
          ],
          [
            [19, 344],
            [26, 347],
            [34, 344],
          ],
          [
            [30, 372],
            [30, 400],
            [30, 416],
          ],
          [
            [28, 462],
            [28.5, 486],
          ],
          [
            [33, 462],
            [32.5, 486],
          ],
        ]
  const spine: readonly string[] = view === 'front' ? ['M149 205 q1 3 2 0'] : ['M150 84 V216', 'M150 226 V260']
  return {
    paths: [
      ...both(arm),
      ...hands.flatMap(({ paths, palm }) => [...paths, palm]),
      ...both(leg),
      ...both(view === 'front' ? foot : heel),
      closed([...right(torso), ...[...left(torso)].reverse()]),
      ...head.outlines.map((outline) => closed(place(outline))),
    ],
    hair: closed(place(head.hair)),
    lines: [...head.features.map((line) => smoothPath(place(line))), ...lines.flatMap(linesOf), ...spine],
  }
}

function fromSide(): BodyFigure {
  const head = placeHead(headFromSide, [0, 0], headHeight)
  const place = (points: readonly Point[]): readonly Point[] => points.map(([x, y]): Point => [middle + 2 + x, chinY - y])
  const body: readonly Point[] = [
    [161, 60],
    [162, 76],
    [170, 94],
    [180, 114],
    [184, 134],
    [181, 160],
    [178, 190],
    [180, 216],
    [178, 238],
    [180, 266],
    [178, 300],
    [172, 332],
    [171, 350],
    [169, 366],
    [166, 400],
    [160, 440],
    [157, 472],
    [160, 492],
    [174, 506],
    [190, 514],
    [195, 521],
    [190, 527],
    [165, 527],
    [140, 527],
    [133, 522],
    [134, 508],
    [139, 490],
    [140, 466],
    [133, 430],
    [129, 402],
    [134, 372],
    [138, 352],
    [134, 326],
    [125, 296],
    [115, 270],
    [111, 250],
    [117, 226],
    [126, 202],
    [122, 172],
    [116, 146],
    [118, 120],
    [127, 98],
    [138, 82],
    [140, 56],
  ]
  const arm: readonly Point[] = [
    [141, 108],
    [152, 101],
    [164, 108],
    [174, 126],
    [190, 146],
    [210, 164],
    [222, 176],
    [234, 200],
    [246, 228],
    [251, 250],
    [240, 256],
    [230, 236],
    [218, 212],
    [206, 194],
    [196, 186],
    [176, 168],
    [156, 146],
    [142, 126],
  ]
  const handSide: readonly Point[] = [
    [240, 250],
    [251, 246],
    [256, 262],
    [260, 282],
    [260, 304],
    [256, 320],
    [250, 322],
    [247, 306],
    [244, 288],
    [240, 268],
  ]
  const thumb: readonly Point[] = [
    [242, 260],
    [240, 276],
    [236, 292],
    [239, 299],
    [244, 294],
    [249, 276],
    [248, 264],
  ]
  return {
    paths: [closed(body), ...head.outlines.map((outline) => closed(place(outline))), closed(handSide), closed(thumb), closed(arm)],
    hair: closed(place(head.hair)),
    lines: [
      ...head.features.map((line) => smoothPath(place(line))),
      smoothPath([
        [117, 264],
        [130, 272],
        [142, 268],
      ]),
      smoothPath([
        [160, 336],
        [168, 342],
        [164, 356],
      ]),
      smoothPath([
        [146, 486],
        [149, 480],
        [153, 486],
      ]),
      smoothPath([
        [253, 288],
        [252, 304],
        [253, 316],
      ]),
      smoothPath([
        [142, 112],
        [150, 106],
        [160, 112],
      ]),
    ],
  }
}

const figures: Readonly<Record<BodyView, BodyFigure>> = { front: upright('front'), back: upright('back'), side: fromSide() }

/** The body as it is seen from a view. */
export function figureOf(view: BodyView): BodyFigure {
  return figures[view]
}
