import type { GeometryBand } from '#core/model/geometry'
import type { View } from '#core/drawing/column-form'
import type { ColumnShape } from '#core/drawing/column-shape'
import { xy } from './kit/overlays'
import type { Point } from '#core/drawing/points'
import { faint } from './kit/shown-bands'
import { smoothPath } from '#core/drawing/smooth-path'
import type { LaneProps } from './lane-props'

/** How far what goes round bends toward the reader, cm. */
const bendCm = { strap: 1.5, shell: 0.9 }
/** How far it stands off the skin, cm. */
const standOffCm = { strap: 1.3, shell: 0.8 }

export interface ColumnBandProps {
  readonly band: GeometryBand
  readonly shape: ColumnShape
  readonly view: View
  readonly isLit: boolean
  /** It is not on yet. */
  readonly isFaint: boolean
  readonly onPick: LaneProps['onPick']
}

/** A shell or strap round a trunk, with its thickness, its edges bent round. */
export function ColumnBand({ band, shape, view, isLit, isFaint, onPick }: ColumnBandProps) {
  const isBackHalf = band.id === 'back'
  if (view === 'front' && isBackHalf) return null
  const isStrap = band.kind === 'strap'
  const kind = isStrap ? 'strap' : 'shell'
  const { outer, rim } = bandPaths(band, shape, view, standOffCm[kind], bendCm[kind])
  const { decision } = band
  return (
    <g
      onClick={onPick && decision ? () => onPick(decision) : undefined}
      className={onPick && decision ? 'cursor-pointer' : ''}
      strokeLinejoin="round"
      opacity={isFaint ? faint : undefined}
    >
      <title>{band.label}</title>
      <path
        d={outer}
        fill={isLit ? 'var(--citrus)' : isStrap ? 'var(--slab-edge)' : 'var(--slab)'}
        fillOpacity={isStrap ? 0.9 : band.kind === 'zone' ? 0.45 : 0.82}
        stroke="var(--slab-edge)"
        strokeWidth="0.28"
      />
      {isStrap ? (
        <rect {...buckle(band, shape, view)} rx="0.5" fill="var(--sheet)" stroke="var(--slab-edge)" strokeWidth="0.3" />
      ) : (
        <path d={rim} fill="none" stroke="var(--slab-edge)" strokeWidth="0.5" opacity="0.55" />
      )}
    </g>
  )
}

/** The outline of a band, and the far rim that is seen above it. */
function bandPaths(band: GeometryBand, shape: ColumnShape, view: View, offCm: number, bend: number): { outer: string; rim: string } {
  const steps = 8
  const heights = Array.from({ length: steps + 1 }, (_, index) => band.fromCm + ((band.toCm - band.fromCm) * index) / steps)
  const isHalf = view === 'side' && (band.id === 'front' || band.id === 'back')
  const edge = (at: number, sign: 0 | 1): Point => {
    const [left, right] = shape.edgesAt(at)
    // A half reaches a little beyond the middle of the side, over or under the other one.
    if (isHalf && (band.id === 'front') !== (sign === 1)) return [(left + right) / 2 + (band.id === 'front' ? -1.2 : 1.2), -at]
    return [sign === 1 ? right + offCm : left - offCm, -at]
  }
  const rights = heights.map((at) => edge(at, 1))
  const lefts = heights.map((at) => edge(at, 0)).reverse()
  const [topRight, topLeft, bottomLeft, bottomRight] = [rights.at(-1), lefts[0], lefts.at(-1), rights[0]] as [Point, Point, Point, Point]
  const middle = (a: Point, b: Point, by: number): Point => [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2 + by]
  const open = (points: readonly Point[]): string => smoothPath(points).replace(/^M/, 'L')
  const outer =
    `M${xy(bottomRight)} ${open(rights)} Q${xy(middle(topRight, topLeft, bend))} ${xy(topLeft)} ` +
    `${open(lefts)} Q${xy(middle(bottomLeft, bottomRight, bend))} ${xy(bottomRight)} Z`
  return { outer, rim: `M${xy(topLeft)} Q${xy(middle(topRight, topLeft, -bend * 0.6))} ${xy(topRight)}` }
}

/** Where a strap is fastened: in front, or on the side that is seen. */
function buckle(band: GeometryBand, shape: ColumnShape, view: View): { x: number; y: number; width: number; height: number } {
  const middle = (band.fromCm + band.toCm) / 2
  const [left, right] = shape.edgesAt(middle)
  const height = band.toCm - band.fromCm + 0.9
  const x = view === 'front' ? right * 0.42 : left + (right - left) * 0.62
  return { x, y: -middle - height / 2 + bendCm.strap * 0.42, width: 2.6, height }
}
