import type { ClinicalCase } from '../../../model/clinical-case'
import type { PlanContext } from '../../../model/plan-context'
import type { Plan } from '../../../model/plan'
import { createDraft } from '../../../planner/draft'
import { findTechnique } from '../../registry'
import { solveSuspension } from './decide-suspension'
import { measureSpan } from './measure-span'

/** Whether a technique hangs the limb from cords and weights. */
export function hasRig(technique: string): boolean {
  return findTechnique(technique)?.decisions.some((one) => one.id === 'suspension-weight') === true
}

/** The rig of a plan as published `zesty-wren/rig`: tensions and pulls in N, weights in kg, moment in Nm; null while it is not decided. */
export function describeRig(clinicalCase: ClinicalCase, plan: Plan, ctx: PlanContext): object | null {
  const of = (id: string): number | null => {
    const value = plan.decisions.find((one) => one.id === id)?.value
    return typeof value === 'number' ? value : null
  }
  const [splintCm, counterweightKg, cordN] = [of('splint-length'), of('counterweight'), of('cord-tension')]
  const { massKg } = clinicalCase.patient
  const draft = createDraft(clinicalCase, ctx, [])
  const span = measureSpan(draft)
  if (!span || massKg === undefined || splintCm === null || counterweightKg === null || cordN === null) return null
  const solved = solveSuspension(draft, massKg, span, splintCm, counterweightKg)
  if (!solved) return null
  const tensions = Object.fromEntries(solved.tensions.map((one) => [one.id, one.tensionN]))
  return {
    format: 'zesty-wren/rig',
    version: 1,
    tensions: { ...tensions, cord: cordN },
    bands: Object.fromEntries(solved.tensions.map((one) => [one.id, one.bandN])),
    weightsKg: Object.fromEntries(solved.tensions.map((one) => [one.id, one.weightKg])),
    lift: solved.liftN,
    axialPull: solved.axialN,
    hipMoment: solved.momentNcm / 100,
    hipShare: solved.hipShare,
    restoring: solved.restoring,
  }
}
