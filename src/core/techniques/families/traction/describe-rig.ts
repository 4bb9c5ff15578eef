import { cordRoute, weightPlace, type WeightPlace } from '../../../figures/traction/cord-route'
import { completeRig, hangRig, rigDefaults, type HungLimb, type RigPlan, type RigState } from '../../../figures/traction/hang-rig'
import { obliqueGroinGirth } from '../../../figures/body/measurements/traction'
import type { GeometryScene } from '../../../model/geometry'
import type { ClinicalCase } from '../../../model/clinical-case'
import type { PlanContext } from '../../../model/plan-context'
import type { Plan } from '../../../model/plan'
import type { RigKind, RigSetting } from '../../../model/rig'
import { createDraft } from '../../../planner/draft'
import type { Protocol } from '../../../quantities/defaults'
import { findTechnique } from '../../registry'
import { gravity } from '../../../figures/traction/leg-masses'
import { readDefaults } from '../../../quantities/defaults'
import { capOf } from './decide-pull'
import { ringDefaults, stripsOf } from './ring'
import { hungLimb, plannedAs } from './hung-limb'
import { rigScene } from './rig-scene'
import { holdingStripCm, stripDefaults } from './holding-strip'
import { measureSpan } from './measure-span'

/** Whether a technique hangs the limb from cords and weights. */
export function hasRig(technique: string): boolean {
  return findTechnique(technique)?.decisions.some((decision) => decision.id === 'suspension-weight') === true
}

/** The rig of a plan, ready to be tried with another setting. */
export interface RigModel {
  readonly limb: HungLimb
  readonly insideLegCm: number
  readonly splintCm: number
  readonly planned: Parameters<typeof completeRig>[1] & { readonly suspensionKg: number | null }
  /** Most that the skin may bear, kg; null with a pin. */
  readonly capKg: number | null
  readonly protocol: Protocol
}

/** The limb and the planned rig of a case; null while its weights are not decided. */
export function rigModelOf(clinicalCase: ClinicalCase, plan: Plan, ctx: PlanContext): RigModel | null {
  const of = (id: string): number | null => {
    const value = plan.decisions.find((decision) => decision.id === id)?.value
    return typeof value === 'number' ? value : null
  }
  const [splintCm, counterweightKg, pullKg] = [of('splint-length'), of('counterweight'), of('traction')]
  const { massKg } = clinicalCase.patient
  const draft = createDraft(clinicalCase, ctx, [])
  const span = measureSpan(draft)
  if (!span || massKg === undefined || splintCm === null || counterweightKg === null || pullKg === null) return null
  const isOnSkin = plan.options['hold-on'] !== 'pin'
  const facts = {
    massKg,
    span,
    splintCm,
    groin: draft.measure(obliqueGroinGirth),
    stripCm: isOnSkin ? holdingStripCm(draft, span) : null,
    kind: String(plan.options['rig']) as RigKind,
    counterweightKg,
    pullKg,
  }
  return {
    limb: hungLimb(draft, facts),
    insideLegCm: span.insideLegCm,
    splintCm,
    planned: { ...plannedAs(draft, facts), suspensionKg: of('suspension-weight') },
    capKg: isOnSkin ? capOf(draft, stripsOf(clinicalCase, plan.options)) : null,
    protocol: ctx.protocol,
  }
}

/** A rig as it is set, what it does, and its picture; whatever is left out is as planned. */
export interface TriedRig {
  readonly rig: RigPlan
  readonly state: RigState
  readonly scene: GeometryScene
}

/** Tries a setting: the one answer to what a change of the rig does, in file, panel and picture. */
export function tryRig({ limb, planned, protocol, insideLegCm, splintCm }: RigModel, setting: RigSetting): TriedRig {
  const complete = completeRig(setting, planned, protocol)
  const rig = { ...complete, suspensionKg: complete.suspensionKg ?? planned.suspensionKg }
  const state = hangRig(limb, rig)
  return { rig, state, scene: rigScene({ insideLegCm, splintCm, liftAtCm: limb.liftAtCm, rig, state }) }
}

/** The rig as published `zesty-wren/rig`: forces in N, pressures in kPa, moment in Nm; null while it is not decided. */
export function describeRig(clinicalCase: ClinicalCase, plan: Plan, ctx: PlanContext): object | null {
  const model = rigModelOf(clinicalCase, plan, ctx)
  if (!model) return null
  const { state } = tryRig(model, clinicalCase.rig ?? {})
  return {
    format: 'zesty-wren/rig',
    version: 1,
    tensionsN: { strand1: state.strandsN[0], strand2: state.strandsN[1], cord: state.cordN, counterweight: state.counterweightN },
    liftN: state.liftN,
    sideN: state.sideN,
    axialN: state.axialN,
    hipMomentNm: state.hipMomentNm,
    hipShareN: state.hipShareN,
    ringLoadN: state.ringLoadN,
    ringKPa: state.ringKPa,
    skinKPa: state.skinKPa,
    raiseCm: state.raiseCm,
    balance: { suspensionKg: state.balanceKg },
  }
}

/** What ring and skin bear under a protocol, kPa: a relief plan, unloading, a stop; less pull. */
export function rigLimits(protocol: Protocol): { ringNoteKPa: number; ringCautionKPa: number; ringStopKPa: number; shearKPa: number } {
  const { noteKPa, cautionKPa, stopKPa } = readDefaults(ringDefaults, protocol)
  return {
    ringNoteKPa: noteKPa,
    ringCautionKPa: cautionKPa,
    ringStopKPa: stopKPa,
    shearKPa: readDefaults(stripDefaults, protocol).shearKPa,
  }
}

/** Where the weight of a rig hangs, beside leg and bed. */
export function placeOfWeight(
  { limb, splintCm, protocol }: RigModel,
  rig: RigPlan,
): WeightPlace & { readonly lastCm: number; readonly cordCm: number } {
  const { tieCm, clearCm } = readDefaults(rigDefaults, protocol)
  const { lastCm, lengthCm } = cordRoute(rig, limb.liftAtCm, tieCm)
  return { ...weightPlace(rig, lastCm, splintCm, clearCm), lastCm, cordCm: lengthCm }
}

/** Whether a rig as it is set passes a floor of safety: more on the skin than it may bear, or on the ring. */
export function rigStops(clinicalCase: ClinicalCase, plan: Plan, ctx: PlanContext): boolean {
  const model = rigModelOf(clinicalCase, plan, ctx)
  if (!model) return false
  const { state } = tryRig(model, clinicalCase.rig ?? {})
  const { rig } = tryRig(model, clinicalCase.rig ?? {})
  if (placeOfWeight(model, rig).isOverLeg) return true
  const isOverSkin = model.capKg !== null && state.cordN > gravity * model.capKg + 1e-9
  return isOverSkin || (state.ringKPa ?? 0) > rigLimits(ctx.protocol).ringStopKPa
}
