import type { Geometry, GeometryMark } from '../../model/geometry'
import type { Estimate } from './pool-side'

/** A place on a neck or trunk with what its girth is, measured or taken for the drawing. */
export interface ColumnPlace {
  readonly id: string
  readonly label: string
  readonly atCm: number
  readonly estimate: Estimate | null
  /** Girth for the drawing when nobody read it, cm. */
  readonly sketchCm: number
}

/**
 * A neck or trunk as geometry: one upright axis, girths along it, marks. Girths that were not read are marked
 * estimated and decide nothing.
 * @param statureCm of the patient as they are drawn
 * @param axis its name and length, cm from its lower end
 */
export function sketchColumn(
  body: 'neck' | 'trunk',
  axis: { readonly id: string; readonly label: string; readonly lengthCm: number },
  places: readonly ColumnPlace[],
  marks: readonly GeometryMark[],
  statureCm: number,
): Geometry {
  return {
    statureCm,
    body,
    angles: {},
    axes: [axis],
    stations: places.map((place) => ({
      id: place.id,
      axis: axis.id,
      label: place.label,
      atCm: place.atCm,
      girthCm: place.estimate?.value ?? place.sketchCm,
      from: place.estimate ? 'measured' : 'estimated',
    })),
    bands: [],
    marks,
    polygons: [],
  }
}
