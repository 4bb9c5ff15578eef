import type { Side } from './vocabulary'

export interface GeometryAxis {
  readonly id: string
  readonly label: string
  readonly lengthCm: number
}
export interface GeometryStation {
  readonly id: string
  readonly axis: string
  readonly label: string
  readonly atCm: number
  readonly girthCm: number
  readonly from: 'measured' | 'estimated'
  readonly side?: Side
}
/** Something that lies along an axis: padding, a slab, a gap. Widths are unrolled, cm. */
export interface GeometryBand {
  readonly id: string
  readonly axis: string
  readonly label: string
  readonly kind: 'slab' | 'padding' | 'bandage' | 'no-go' | 'hold' | 'strap' | 'ring' | 'bar' | 'shell' | 'cut' | 'zone'
  readonly fromCm: number
  readonly toCm: number
  readonly decision: string | null
  /** For a cutting line: its course as cm along the axis and share of the depth from the back. */
  readonly line?: readonly (readonly [number, number])[]
}
export interface GeometryMark {
  readonly id: string
  readonly axis: string
  readonly label: string
  readonly kind: 'landmark' | 'pulse' | 'bone' | 'injury' | 'feeling'
  readonly atCm: number
}
/** A closed outline in cm; `role` says whether it is skin, slab or sheet. */
export interface GeometryPolygon {
  readonly id: string
  readonly label: string
  readonly role: 'sheet' | 'slab' | 'template'
  readonly points: readonly (readonly [number, number])[]
  readonly decision: string | null
}
export interface Geometry {
  readonly body: 'leg' | 'arm' | 'neck' | 'trunk' | 'none'
  readonly side?: Side
  /** The side that the readings were taken on when it differs from the side drawn. */
  readonly readFrom?: Side
  readonly angles: Readonly<Record<string, number>>
  readonly axes: readonly GeometryAxis[]
  readonly stations: readonly GeometryStation[]
  readonly bands: readonly GeometryBand[]
  readonly marks: readonly GeometryMark[]
  readonly polygons: readonly GeometryPolygon[]
}
