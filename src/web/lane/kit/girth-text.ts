import type { GeometryStation } from '#core/model/geometry'
import { formatLength, type DisplayUnits } from '#core/planner/format-decision'
import type { LabelWish } from './lay-frame'

/** A girth as it stands at the drawing: an estimate has ≈ before it. */
export function girthText({ girthCm, from }: GeometryStation, units: DisplayUnits): string {
  return `${from === 'estimated' ? '≈ ' : ''}${formatLength(girthCm, units)}`
}

/** An estimate is in italics. */
export function girthLook({ from }: GeometryStation): NonNullable<LabelWish['look']> {
  return from === 'estimated' ? 'estimate' : 'figure'
}
