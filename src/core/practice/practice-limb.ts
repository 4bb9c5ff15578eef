import type { Geometry, GeometryStation } from '../model/geometry'
import type { ClinicalCase } from '../model/clinical-case'
import type { Plan } from '../model/plan'
import type { PlanContext } from '../model/plan-context'
import { legSlab } from '../techniques/leg-slab/leg-slab'
import type { Technique } from '../planner/technique'
import { planCase } from '../techniques/plan-case'
import { volarSlab } from '../techniques/volar-slab/volar-slab'
import { practiceCase, usualPatient } from './practice-case'

/** A limb for practice, as the plan of its device draws it, without the device. */
export function practiceLimb(isArm: boolean, ctx: PlanContext): Geometry {
  const technique = isArm ? volarSlab : legSlab
  const { geometry } = practicePlan(technique, practiceCase(technique, usualPatient, ctx.protocol), ctx)
  return { ...geometry, bands: [], polygons: [], marks: [] }
}

/** The plan of a practice case. @throws where its technique makes none, which no practice case does */
export function practicePlan(technique: Technique, clinicalCase: ClinicalCase, ctx: PlanContext): Plan {
  const plan = planCase(clinicalCase, ctx)
  if (!plan) throw new Error(`no plan for ${technique.id}`)
  return plan
}

/** The girths that a cast or a wrap lies round: those of the limb, not of the foot or round the heel. */
export function insideStations(geometry: Geometry): readonly GeometryStation[] {
  return geometry.stations.filter((station) => station.axis !== 'foot' && station.id !== 'heel-instep')
}
