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
  readonly kind: 'slab' | 'padding' | 'bandage' | 'no-go' | 'hold' | 'strap' | 'ring' | 'bar' | 'shell' | 'cut' | 'zone' | 'fold' | 'reach'
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
  /** Where which part of it comes to lie, named for whoever cuts and lays it. */
  readonly parts?: readonly { readonly label: string; readonly at: readonly [number, number] }[]
  readonly points: readonly (readonly [number, number])[]
  readonly decision: string | null
}
/** A place in a scene, cm: x footward from the groin, y up from the splint's bars. */
export type ScenePoint = readonly [number, number]

/** What lies round the limb in a side view: bed, beam, bars, pulleys, cords in their order, weights, and forces to one scale. */
export interface GeometryScene {
  /** Groin to heel sole, cm, along the bars. */
  readonly limbCm: number
  readonly lines: readonly {
    readonly id: string
    readonly kind: 'bed' | 'beam' | 'bar' | 'cord'
    readonly label: string
    /** In the order in which a cord is threaded. */
    readonly points: readonly ScenePoint[]
  }[]
  readonly rounds: readonly {
    readonly id: string
    readonly kind: 'fixed-pulley' | 'carried-pulley' | 'ring' | 'hitch' | 'socket'
    readonly label: string
    readonly at: ScenePoint
  }[]
  readonly weights: readonly { readonly id: string; readonly label: string; readonly at: ScenePoint; readonly kg: number }[]
  /** Forces on limb and splint, N, along the axes of the scene. */
  readonly arrows: readonly { readonly id: string; readonly label: string; readonly at: ScenePoint; readonly forceN: ScenePoint }[]
}

export interface Geometry {
  /** How tall the patient of a neck or trunk is drawn: a child's head is large for its neck. */
  readonly statureCm?: number
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
  /** Of what pulls on a leg. */
  readonly scene?: GeometryScene
}
