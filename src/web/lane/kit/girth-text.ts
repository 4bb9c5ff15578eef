import type { GeometryStation } from '#core/model/geometry'
import type { Side } from '#core/model/vocabulary'
import { formatLength, type DisplayUnits } from '#core/planner/format-decision'
import type { LabelWish } from './lay-frame'

/** Where a girth comes from, seen from the side that is drawn: read there, read on the other side, or estimated. */
export type GirthSource = 'drawn-side' | 'other-side' | 'estimated'

/** Where a station's girth comes from, for a drawing of `drawnSide`; what was read on no side in particular counts as read there. */
export function girthSource({ from, side }: GeometryStation, drawnSide: Side | undefined): GirthSource {
  if (from === 'estimated') return 'estimated'
  return side && drawnSide && side !== drawnSide ? 'other-side' : 'drawn-side'
}

/** A girth as it stands at the drawing: an estimate has ≈ before it, a reading of the other side that side's name behind it. */
export function girthText(station: GeometryStation, units: DisplayUnits, drawnSide: Side | undefined): string {
  const figure = formatLength(station.girthCm, units)
  switch (girthSource(station, drawnSide)) {
    case 'estimated':
      return `≈ ${figure}`
    case 'other-side':
      return `${figure} ${station.side}`
    case 'drawn-side':
      return figure
  }
}

/** An estimate is in italics. */
export function girthLook({ from }: GeometryStation): NonNullable<LabelWish['look']> {
  return from === 'estimated' ? 'estimate' : 'figure'
}
