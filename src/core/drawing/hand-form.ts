import type { Point } from './points'
import { smoothPath } from './smooth-path'

/** A hand seen from the palm: closed paths of fingers and thumb, the creases on them, and how far they reach. */
export interface HandForm {
  readonly digits: readonly string[]
  readonly creases: readonly string[]
  /** From the wrist crease to the tip of the middle finger, cm. */
  readonly reachCm: number
  /** The edge of the palm from the wrist to the fingers on the thumb's side, and back on the other. */
  readonly thumbEdge: readonly Point[]
  readonly littleEdge: readonly Point[]
  /** The outermost place on the thumb's side, cm. */
  readonly thumbOutCm: number
  /** Where fingers are felt and moved. */
  readonly places: {
    readonly thumbTip: Point
    readonly indexTip: Point
    readonly middleTip: Point
    readonly littleTip: Point
    /** Between thumb and index. */
    readonly firstWeb: Point
  }
}

/** Fingers from index to little: where they begin, as shares of the palm's length and half breadth; length as a share of the palm; lean in degrees. */
const fingers = [
  { across: 0.71, along: 0.94, length: 0.69, lean: 5, half: 0.232 },
  { across: 0.235, along: 0.99, length: 0.76, lean: 1, half: 0.24 },
  { across: -0.245, along: 0.96, length: 0.7, lean: -3, half: 0.228 },
  { across: -0.7, along: 0.87, length: 0.55, lean: -9, half: 0.2 },
] as const
/** The thumb's middle line and half breadth: along as a share of the palm, across and half as shares of its half breadth. */
const thumb = [
  { along: 0.16, across: 0.62, half: 0.4 },
  { along: 0.42, across: 1.12, half: 0.34 },
  { along: 0.6, across: 1.42, half: 0.27 },
  { along: 0.76, across: 1.6, half: 0.25 },
  { along: 0.93, across: 1.72, half: 0.2 },
] as const
/** From the wrist crease to the distal palm crease, as a share of the palm's length. */
const creaseShare = 0.77

/**
 * The hand of a patient: a palm as long as the reading from wrist to palm crease says, as broad as its girth says, fingers and thumb in an adult
 * hand's proportions, lying a little apart. Wrist crease at 0, fingers towards smaller x, the thumb towards greater y, cm.
 * @param creaseCm wrist crease to distal palm crease
 * @param halfCm half the breadth of the palm
 * @param wristHalfCm half the breadth at the wrist
 */
export function handForm(creaseCm: number, halfCm: number, wristHalfCm: number, draw: (point: Point) => Point): HandForm {
  const palm = creaseCm / creaseShare
  const at = (along: number, across: number): Point => [-along * palm, across * halfCm]
  const digits = fingers.map((finger) =>
    fingerPath(at(finger.along - 0.12, finger.across), finger.lean, palm * (finger.length + 0.12), finger.half * halfCm).map(draw),
  )
  const thumbPath = sausage(
    thumb.map(({ along, across }) => at(along, across)),
    thumb.map(({ half }) => half * halfCm),
  ).map(draw)
  const creases = fingers.flatMap((finger) =>
    [0.12, 0.44, 0.7].map((share) =>
      across(
        at(finger.along - 0.12, finger.across),
        finger.lean,
        palm * (finger.length + 0.12) * (share + 0.04),
        finger.half * halfCm * 0.8,
        draw,
      ),
    ),
  )
  const line = (points: readonly Point[]): string => smoothPath(points.map(draw))
  const tipOf = (index: number): Point => {
    const { across: aside, along, lean, length } = fingers[index] ?? fingers[0]
    const [x, y] = at(along - 0.12, aside)
    const [turn, reach] = [(lean * Math.PI) / 180, palm * (length + 0.12) * 0.9]
    return draw([x - Math.cos(turn) * reach, y + Math.sin(turn) * reach])
  }
  return {
    digits: [...digits, thumbPath].map((points) => smoothPath(points, true)),
    creases: [
      ...creases,
      line([at(0.72, -0.92), at(0.79, -0.4), at(0.83, 0.05), at(0.93, 0.36)]),
      line([at(0.5, -0.72), at(0.6, -0.1), at(0.7, 0.5), at(0.71, 0.93)]),
      line([at(0.7, 0.9), at(0.6, 0.42), at(0.36, 0.16), at(0.08, 0.12)]),
      line([
        [0, wristHalfCm * 0.82],
        [-0.25, 0],
        [0, -wristHalfCm * 0.82],
      ]),
      line([at(0.66, 1.33), at(0.69, 1.62)]),
    ],
    reachCm: palm * (0.99 + 0.76),
    thumbEdge: [at(0.12, Math.min(0.86, wristHalfCm / halfCm + 0.08)), at(0.45, 0.93), at(0.75, 0.985), at(0.98, 0.93)],
    littleEdge: [at(0.9, -0.9), at(0.7, -0.97), at(0.4, -1), at(0.14, -0.86)],
    thumbOutCm: Math.max(...thumb.map(({ across, half }) => (across + half) * halfCm)),
    places: {
      thumbTip: draw(at(0.93, 1.72)),
      indexTip: tipOf(0),
      middleTip: tipOf(1),
      littleTip: tipOf(3),
      firstWeb: draw(at(0.72, 1.12)),
    },
  }
}

/** A finger from its root: a little waisted between its joints, round at the tip. */
function fingerPath([x, y]: Point, leanDeg: number, length: number, half: number): readonly Point[] {
  const sides: readonly (readonly [number, number])[] = [
    [0, 1],
    [0.3, 0.98],
    [0.46, 1],
    [0.58, 0.93],
    [0.74, 0.95],
    [0.88, 0.86],
    [0.965, 0.6],
  ]
  const turn = (leanDeg * Math.PI) / 180
  const to = (share: number, across: number): Point => [
    x - Math.cos(turn) * share * length - Math.sin(turn) * across,
    y + Math.sin(turn) * share * length - Math.cos(turn) * -across,
  ]
  return [
    ...sides.map(([share, width]) => to(share, half * width)),
    to(1, 0),
    ...[...sides].reverse().map(([share, width]) => to(share, -half * width)),
  ]
}

/** A crease across a finger at a length of it. */
function across([x, y]: Point, leanDeg: number, atCm: number, half: number, draw: (point: Point) => Point): string {
  const turn = (leanDeg * Math.PI) / 180
  const to = (along: number, aside: number): Point => [
    x - Math.cos(turn) * along - Math.sin(turn) * aside,
    y + Math.sin(turn) * along + Math.cos(turn) * aside,
  ]
  return smoothPath([to(atCm, half), to(atCm + 0.12, 0), to(atCm, -half)].map(draw))
}

/** A bent form of changing breadth round a middle line, round at its end. */
function sausage(middle: readonly Point[], halves: readonly number[]): readonly Point[] {
  const normal = (index: number): Point => {
    const [before, after] = [middle[Math.max(0, index - 1)] ?? [0, 0], middle[Math.min(middle.length - 1, index + 1)] ?? [0, 0]]
    const [dx, dy] = [after[0] - before[0], after[1] - before[1]]
    const length = Math.hypot(dx, dy) || 1
    return [-dy / length, dx / length]
  }
  const side = (sign: 1 | -1): Point[] =>
    middle.map(([x, y], index): Point => {
      const [nx, ny] = normal(index)
      const half = (halves[index] ?? 0) * sign
      return [x + nx * half, y + ny * half]
    })
  const [last = [0, 0], before = [0, 0]] = [middle.at(-1), middle.at(-2)]
  const length = Math.hypot(last[0] - before[0], last[1] - before[1]) || 1
  const tipCm = (halves.at(-1) ?? 0) * 0.95
  const tip: Point = [last[0] + ((last[0] - before[0]) / length) * tipCm, last[1] + ((last[1] - before[1]) / length) * tipCm]
  return [...side(1), tip, ...side(-1).reverse()]
}
