import type { Geometry } from '../model/geometry'
import type { ColumnBody, ColumnForm, View } from './column-form'
import { heightAt, type Point } from './points'
import { neckForm } from './neck-form'
import { trunkForm } from './trunk-form'

export interface ColumnShape extends ColumnForm {
  /** The edges at a height of the axis, cm from the middle: left (or back) and right (or front). */
  readonly edgesAt: (atCm: number) => readonly [number, number]
  readonly body: ColumnBody
}

/** Shapes a neck with head and shoulders, or a trunk with hips, arms and neck, from its geometry. */
export function shapeColumn(geometry: Geometry, view: View): ColumnShape {
  const isNeck = geometry.body === 'neck'
  const girths = [...geometry.stations].sort((a, b) => a.atCm - b.atCm).map(({ atCm, girthCm }): Point => [atCm, girthCm])
  const body: ColumnBody = {
    lengthCm: geometry.axes[0]?.lengthCm ?? (isNeck ? 6 : 50),
    girthAt: (atCm) => heightAt(girths, atCm) || (isNeck ? 36 : 85),
    statureCm: geometry.statureCm ?? 170,
    headTiltDeg: geometry.angles['head'] ?? 0,
  }
  const form = isNeck ? neckForm(body, view) : trunkForm(body, view)
  const across = (edge: readonly Point[], atCm: number): number =>
    heightAt(
      edge.map(([x, y]): Point => [y, x]),
      atCm,
    )
  return { ...form, body, edgesAt: (atCm) => [across(form.edges[0], atCm), across(form.edges[1], atCm)] }
}
