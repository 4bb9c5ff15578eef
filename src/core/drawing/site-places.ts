import type { Geometry, GeometryBand } from '../model/geometry'
import type { Site } from '../rounds/item-sites'
import type { LimbFinding } from '../standing/findings-on-limb'
import type { ArmShape } from './arm-shape'
import type { ColumnShape } from './column-shape'
import type { LegShape } from './leg-shape'
import { feelingHeightCm } from './feeling-heights'
import type { Point } from './points'

const middle = ([ax, ay]: Point, [bx, by]: Point): Point => [(ax + bx) / 2, (ay + by) / 2]
const worn: readonly GeometryBand['kind'][] = ['slab', 'shell', 'zone', 'ring', 'strap', 'bandage']

/** From where to where something is worn along an axis, cm; null where nothing is. */
function wornAlong({ bands }: Geometry, axis: string): { readonly fromCm: number; readonly toCm: number } | null {
  const on = bands.filter((band) => band.axis === axis && worn.includes(band.kind))
  if (on.length === 0) return null
  return { fromCm: Math.min(...on.map((band) => band.fromCm)), toCm: Math.max(...on.map((band) => band.toCm)) }
}

/** Where the break is, or the middle of what is worn, cm. */
function injuredCm(geometry: Geometry, axis: string, otherwiseCm: number): number {
  const mark = geometry.marks.find((one) => one.kind === 'injury' && one.axis === axis)
  const on = wornAlong(geometry, axis)
  return mark?.atCm ?? (on ? (Math.max(0, on.fromCm) + on.toCm) / 2 : otherwiseCm)
}

/** Where on a leg something is looked at, cm of its shape; null where that part is not drawn. */
export function placeOnLeg(site: Site, geometry: Geometry, shape: LegShape): Point | null {
  const lengthCm = geometry.axes.find((axis) => axis.id === 'leg')?.lengthCm ?? 45
  const footCm = geometry.axes.find((axis) => axis.id === 'foot')?.lengthCm ?? 25
  const kneeCm = geometry.stations.find((station) => station.id === 'knee')?.atCm
  const inside = (axis: string, atCm: number): Point => middle(shape.placeAt(axis, atCm, 'front'), shape.placeAt(axis, atCm, 'back'))
  switch (site) {
    case 'toes':
      return inside('foot', footCm * 0.05)
    case 'great-toe':
      return shape.placeAt('foot', footCm * 0.1, 'front')
    case 'first-web':
      return shape.placeAt('foot', footCm * 0.24, 'front')
    case 'foot-pulse':
      return shape.placeAt('foot', geometry.marks.find((mark) => mark.kind === 'pulse')?.atCm ?? footCm * 0.5, 'front')
    case 'top-of-foot':
      return shape.placeAt('foot', footCm * 0.36, 'front')
    case 'outer-foot':
      return inside('foot', footCm * 0.4)
    case 'sole':
      return shape.placeAt('foot', footCm * 0.5, 'back')
    case 'heel':
      return inside('foot', footCm * 0.93)
    case 'muscle':
      return shape.placeAt('leg', Math.min(lengthCm, kneeCm ?? lengthCm) * 0.55, 'back')
    case 'knee':
      return kneeCm === undefined ? null : inside('leg', kneeCm)
    case 'groin':
      return kneeCm === undefined ? null : inside('leg', lengthCm * 0.97)
    case 'injury':
      return inside('leg', injuredCm(geometry, 'leg', lengthCm * 0.5))
    case 'device':
      return shape.placeAt('leg', (wornAlong(geometry, 'leg')?.toCm ?? lengthCm) * 0.55, 'front')
    case 'device-edge':
      return shape.placeAt('leg', wornAlong(geometry, 'leg')?.toCm ?? lengthCm * 0.85, 'back')
    default:
      return null
  }
}

/** Where on an arm something is looked at, cm of its shape; null where that part is not drawn. */
export function placeOnArm(site: Site, geometry: Geometry, shape: ArmShape): Point | null {
  const { places } = shape.hand
  // The hand's own places run down the page.
  const up = ([x, y]: Point): Point => [x, -y]
  const on = wornAlong(geometry, 'arm')
  switch (site) {
    case 'fingers':
      return up([places.middleTip[0] * 0.86, places.middleTip[1]])
    case 'thumb-tip':
      return up(places.thumbTip)
    case 'index-tip':
      return up(places.indexTip)
    case 'little-tip':
      return up(places.littleTip)
    case 'first-web':
      return up(places.firstWeb)
    case 'wrist-pulse':
      return [2, shape.halfAt(2) * 0.55 * shape.thumbUp]
    case 'muscle':
      return [shape.elbowX * 0.68, 0]
    case 'elbow':
      return [shape.elbowX, 0]
    case 'injury':
      return [injuredCm(geometry, 'arm', shape.elbowX * 0.15), 0]
    case 'device':
      return [(on?.toCm ?? shape.elbowX) * 0.5, -shape.halfAt(shape.elbowX * 0.5) * 0.5 * shape.thumbUp]
    case 'device-edge':
      return [on?.toCm ?? shape.elbowX * 0.9, 0]
    default:
      return null
  }
}

/**
 * Where on a neck or trunk, seen from the front, something is looked at, cm of its shape; null where that part is not drawn.
 * @param feelingLevel the highest at which touch is lost, for the line where feeling ends
 */
export function placeOnColumn(site: Site, geometry: Geometry, shape: ColumnShape, feelingLevel?: string): Point | null {
  const lengthCm = geometry.axes[0]?.lengthCm ?? 6
  const { minX, minY, maxX, maxY } = shape.bounds
  const isNeck = geometry.body === 'neck'
  const half = shape.edgesAt(lengthCm / 2)[1]
  switch (site) {
    case 'mouth':
      return isNeck ? [0, lengthCm + (maxY - lengthCm) * 0.18] : null
    case 'throat':
      return isNeck ? [0, lengthCm * 0.5] : null
    case 'side-of-neck':
      return isNeck ? [half * 0.9, lengthCm * 0.45] : null
    case 'chest':
      return isNeck ? null : [half * 0.4, lengthCm * 0.8]
    case 'belly':
      return isNeck ? null : [0, lengthCm * 0.42]
    case 'bladder':
      return isNeck ? null : [0, lengthCm * 0.1]
    case 'saddle':
      return isNeck ? null : [0, -1.5]
    case 'feeling-line': {
      const atCm = isNeck || feelingLevel === undefined ? null : feelingHeightCm(feelingLevel, lengthCm)
      return atCm === null ? null : [shape.edgesAt(atCm)[1], atCm]
    }
    case 'device':
    case 'injury':
      return [0, injuredCm(geometry, geometry.axes[0]?.id ?? '', lengthCm * 0.5)]
    // The patient looks at the reader: their left is at the right.
    case 'arm-left':
      return isNeck ? [maxX * 0.9, minY * 0.75] : [maxX * 0.95, lengthCm * 0.1]
    case 'arm-right':
      return isNeck ? [minX * 0.9, minY * 0.75] : [minX * 0.95, lengthCm * 0.1]
    case 'leg-left':
      return isNeck ? null : [half * 0.55, minY * 0.7]
    case 'leg-right':
      return isNeck ? null : [-half * 0.55, minY * 0.7]
    default:
      return null
  }
}

/** The line across a trunk where feeling ends, from edge to edge; null for any other finding. */
export function feelingLineOnColumn(
  { site, feelingLevel }: Pick<LimbFinding, 'site' | 'feelingLevel'>,
  geometry: Geometry,
  shape: ColumnShape,
): readonly [Point, Point] | null {
  const end = site === 'feeling-line' ? placeOnColumn(site, geometry, shape, feelingLevel) : null
  return end ? [[shape.edgesAt(end[1])[0], end[1]], end] : null
}
