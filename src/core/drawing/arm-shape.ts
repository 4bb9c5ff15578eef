import type { Geometry } from '../model/geometry'
import { handForm, type HandForm } from './hand-form'
import { heightAt, type Bounds, type Point } from './points'
import { smoothPath } from './smooth-path'

/** Breadth of a forearm seen from the palm side, as a share of girth ÷ π. */
const breadthShare = 1.14
/** The forearm is drawn this far beyond the elbow crease, cm. */
const beyondElbowCm = 3

/** Forearm and hand from the palm side, cm: x from the wrist crease to the elbow, fingers to the left, y up the page. */
export interface ArmShape {
  /** Closed paths that grow into one another: forearm with palm, fingers, thumb. */
  readonly paths: readonly string[]
  readonly hand: HandForm
  readonly elbowX: number
  /** Wrist crease to distal palm crease. */
  readonly palmCm: number
  readonly halfAt: (atCm: number) => number
  /** 1 where the thumb lies up the page: a left hand seen from the palm; −1 for a right one. */
  readonly thumbUp: 1 | -1
  readonly bounds: Bounds
}

/**
 * Shapes a forearm and hand from their geometry: breadths from girths, the palm from its length.
 * @param isRight whether the arm is the right one: its thumb lies down the page
 */
export function shapeArm(geometry: Geometry, isRight: boolean): ArmShape {
  const stations = [...geometry.stations].sort((a, b) => a.atCm - b.atCm)
  const halves = stations.map(({ atCm, girthCm }): Point => [atCm, (girthCm / Math.PI / 2) * breadthShare])
  const halfAt = (atCm: number): number => heightAt(halves, atCm) || 3
  const palmCm = -(geometry.marks.find((mark) => mark.id === 'palm-crease')?.atCm ?? -8)
  const elbowX = geometry.axes[0]?.lengthCm ?? 22
  const thumbUp = isRight ? -1 : 1
  const draw = ([x, y]: Point): Point => [x, -y * thumbUp]
  const palmHalf = halfAt(-palmCm) * 1.05
  const hand = handForm(palmCm, palmHalf, halfAt(0), draw)
  const along = [beyondElbowCm + elbowX, elbowX, elbowX * 0.75, elbowX * 0.5, elbowX * 0.22, 0]
  const outline: readonly Point[] = [
    ...along.map((x): Point => [x, halfAt(x)]),
    ...hand.thumbEdge,
    ...hand.littleEdge,
    ...[...along].reverse().map((x): Point => [x, -halfAt(x)]),
  ]
  const [thumbSide, littleSide] = [Math.max(hand.thumbOutCm, halfAt(elbowX)), Math.max(palmHalf, halfAt(elbowX))]
  return {
    paths: [...hand.digits, smoothPath(outline.map(draw), true, 0.4)],
    hand,
    elbowX,
    palmCm,
    halfAt,
    thumbUp,
    bounds: {
      minX: -hand.reachCm - 0.6,
      maxX: elbowX + beyondElbowCm,
      minY: -(thumbUp === 1 ? littleSide : thumbSide) - 0.6,
      maxY: (thumbUp === 1 ? thumbSide : littleSide) + 0.6,
    },
  }
}
