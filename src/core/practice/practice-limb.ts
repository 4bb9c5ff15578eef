import type { Geometry, GeometryStation } from '../model/geometry'
import type { PlanContext } from '../model/plan-context'
import { legSlab } from '../techniques/leg-slab/leg-slab'
import { planCase } from '../techniques/plan-case'
import { volarSlab } from '../techniques/volar-slab/volar-slab'
import { practiceCase, usualPatient } from './practice-case'

/** A limb for practice, as the plan of its device draws it, without the device. */
export function practiceLimb(isArm: boolean, ctx: PlanContext): Geometry {
  const technique = isArm ? volarSlab : legSlab
  const plan = planCase(practiceCase(technique, usualPatient, ctx.protocol), ctx)
  if (!plan) throw new Error(`no plan for ${technique.id}`)
  return { ...plan.geometry, bands: [], polygons: [], marks: [] }
}

/** The girths that a cast or a wrap lies round: those of the limb, not of the foot or round the heel. */
export function insideStations(geometry: Geometry): readonly GeometryStation[] {
  return geometry.stations.filter((station) => station.axis !== 'foot' && station.id !== 'heel-instep')
}
