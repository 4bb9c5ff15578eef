import type { ClinicalCase } from '../model/clinical-case'
import type { PlanContext } from '../model/plan-context'
import type { RigSetting } from '../model/rig'
import { gravity } from '../figures/traction/leg-masses'
import { hasRig, rigLimits, rigModelOf, tryRig, type RigModel, type TriedRig } from '../techniques/families/traction/describe-rig'
import { planCase } from '../techniques/plan-case'
import { suspendedRingTraction } from '../techniques/suspended-ring-traction/suspended-ring-traction'
import {
  choiceAt,
  figureAt,
  onStep,
  type Bench,
  type BenchAnswer,
  type BenchCaution,
  type BenchState,
  type ChoiceControl,
  type RangeControl,
} from './bench'
import { practiceCase, usualPatient } from './practice-case'
import type { Plan } from '../model/plan'

const kind: ChoiceControl = {
  kind: 'choice',
  id: 'rig',
  label: 'Suspension',
  choices: [
    { id: 'carried-pulley', label: 'over a carried pulley' },
    { id: 'straight-cord', label: 'straight up' },
  ],
  usual: 'carried-pulley',
}
const mass: RangeControl = { kind: 'range', id: 'mass', label: 'Patient', unit: 'kg', least: 15, greatest: 150, step: 1, usual: 72 }
const suspension: RangeControl = {
  kind: 'range',
  id: 'suspension',
  label: 'Suspension weight',
  unit: 'kg',
  least: 0,
  greatest: 20,
  step: 0.1,
  usual: 5,
}
const counterweight: RangeControl = {
  kind: 'range',
  id: 'counterweight',
  label: 'Counterweight',
  unit: 'kg',
  least: 0,
  greatest: 10,
  step: 0.1,
  usual: 4.5,
}
const carried: RangeControl = {
  kind: 'range',
  id: 'carried',
  label: 'Pulley from the groin',
  unit: 'cm',
  least: 10,
  greatest: 95,
  step: 0.5,
  usual: 48,
}
const raise: RangeControl = { kind: 'range', id: 'raise', label: 'Foot end up', unit: 'cm', least: 0, greatest: 50, step: 0.5, usual: 13 }

interface Hung {
  readonly model: RigModel
  readonly plan: Plan
  readonly clinicalCase: ClinicalCase
}

/** The leg of a patient of this mass, as its plan hangs it. */
function hungLeg(state: BenchState, ctx: PlanContext): Hung {
  const massKg = figureAt(state, mass)
  const clinicalCase = practiceCase(suspendedRingTraction, { ...usualPatient, massKg, swelling: 'mild' }, ctx.protocol)
  const plan = planCase(clinicalCase, ctx)
  const model = plan ? rigModelOf(clinicalCase, plan, ctx) : null
  if (!plan || !model) throw new Error('the practice leg hangs in no rig')
  return { model, plan, clinicalCase }
}

function settingOf(state: BenchState, without: keyof RigSetting | null = null): RigSetting {
  const setting: RigSetting = {
    kind: choiceAt(state, kind) as NonNullable<RigSetting['kind']>,
    carriedAtCm: figureAt(state, carried),
    counterweightKg: figureAt(state, counterweight),
    suspensionKg: figureAt(state, suspension),
    raiseCm: figureAt(state, raise),
  }
  return without === null ? setting : (Object.fromEntries(Object.entries(setting).filter(([key]) => key !== without)) as RigSetting)
}

const kg = (newton: number): string => `${(newton / gravity).toFixed(1)} kg`

/** A suspended leg in its rig: the same statics that plans and the bedside panel use. */
export const rigBench: Bench = {
  id: 'rig',
  name: 'Rig',
  purpose: 'What each weight, pulley and the bed do to lift, pull, ring and skin.',
  controls: [kind, mass, suspension, counterweight, carried, raise],
  work: (state, ctx) => {
    const { model, plan } = hungLeg(state, ctx)
    const tried = tryRig(model, settingOf(state))
    return {
      figures: figuresOf(tried, model),
      cautions: cautionsOf(tried, model),
      scenes: [{ kind: 'pull', id: 'rig', scene: tried.scene, geometry: plan.geometry, drags: carried.id }],
    } satisfies BenchAnswer
  },
  solvers: [
    {
      id: 'suspension',
      label: 'Balance by the weight',
      solve: (state, ctx) => inRange(state, suspension, tryRig(hungLeg(state, ctx).model, settingOf(state)).state.balanceKg),
    },
    {
      id: 'carried',
      label: 'Balance by the pulley',
      solve: (state, ctx) => {
        const { model } = hungLeg(state, ctx)
        const momentAt = (at: number): number => tryRig(model, { ...settingOf(state), carriedAtCm: at }).state.hipMomentNm
        return inRange(state, carried, rootOf(momentAt, carried.least, carried.greatest))
      },
    },
    {
      id: 'raise',
      label: 'Hold by the bed',
      solve: (state, ctx) => inRange(state, raise, tryRig(hungLeg(state, ctx).model, settingOf(state)).state.raiseCm, 'up'),
    },
  ],
  fromCase: (clinicalCase, plan, ctx) => {
    const model = hasRig(plan.technique) ? rigModelOf(clinicalCase, plan, ctx) : null
    if (!model) return null
    const { rig, state } = tryRig(model, clinicalCase.rig ?? {})
    return {
      rig: rig.kind,
      ...(clinicalCase.patient.massKg === undefined ? {} : { mass: clinicalCase.patient.massKg }),
      suspension: state.suspensionKg,
      counterweight: rig.counterweightKg,
      carried: rig.carriedAtCm,
      raise: rig.raiseCm ?? state.raiseCm,
    }
  },
}

/** A control set to what was solved, on its step; null outside its range. */
function inRange(state: BenchState, control: RangeControl, value: number | null, round: 'near' | 'up' = 'near'): BenchState | null {
  if (value === null || !Number.isFinite(value) || value < control.least || value > control.greatest) return null
  const near = onStep(control, value)
  return { ...state, [control.id]: round === 'up' && near < value ? onStep(control, near + control.step) : near }
}

/** Where a falling or rising function passes nought; null where it does not. */
function rootOf(of: (x: number) => number, least: number, greatest: number): number | null {
  const atLeast = of(least)
  if (atLeast * of(greatest) > 0) return null
  let [low, high] = [least, greatest]
  while (high - low > 1e-6) {
    const middle = (low + high) / 2
    if (of(middle) * atLeast > 0) low = middle
    else high = middle
  }
  return low
}

function figuresOf({ rig, state }: TriedRig, model: RigModel): BenchAnswer['figures'] {
  const angles = state.anglesDeg
  const strands = angles ? `two strands at ${angles[0].toFixed(1)}° and ${angles[1].toFixed(1)}° from upright` : 'one strand straight up'
  const sag = Math.abs(state.hipMomentNm) < 0.5 ? 'in balance' : state.hipMomentNm > 0 ? 'the leg sags' : 'the leg rises'
  return [
    {
      id: 'lift',
      label: 'Lift',
      value: state.liftN,
      unit: 'N',
      digits: 0,
      words: sag,
      working: `${state.suspensionKg.toFixed(1)} kg × 9.81 over ${strands}. ${state.balanceKg.toFixed(1)} kg would balance; with pulleys that rub ${state.bandKg[0].toFixed(1)} to ${state.bandKg[1].toFixed(1)} kg lift the same.`,
    },
    {
      id: 'hip',
      label: 'Borne by the hip',
      value: state.hipShareN,
      unit: 'N',
      digits: 0,
      working: `Weight of leg and splint, ${model.limb.parts.map((part) => `${part.massKg.toFixed(1)} kg at ${part.atCm.toFixed(0)} cm`).join(', ')}, less the lift.`,
    },
    {
      id: 'cord',
      label: 'Pull in the cord',
      value: state.cordN,
      unit: 'N',
      digits: 0,
      words: kg(state.cordN),
      working: `A ring cannot pull: the greater of what is tied in (${rig.cordPullKg.toFixed(1)} kg) and what counterweight and suspension pull towards the foot.`,
    },
    {
      id: 'ring',
      label: 'On the ring',
      value: state.ringLoadN,
      unit: 'N',
      digits: 0,
      ...(state.ringKPa === null ? {} : { words: `${state.ringKPa.toFixed(1)} kPa` }),
      working: 'Pull in the cord less what comes from counterweight and suspension, over 0.35 of the groin’s girth and 3 cm of ring.',
    },
    {
      id: 'skin',
      label: 'Drag on the skin',
      value: state.skinKPa,
      unit: 'kPa',
      digits: 2,
      ...(state.skinKPa === null ? { words: 'none: a pin holds' } : {}),
      working: `The cord’s pull over both strips, ${(model.limb.stripCm ?? 0).toFixed(0)} cm long and 7.5 cm wide.`,
    },
    {
      id: 'bed',
      label: 'Held by the bed',
      value: Math.min(state.heldN, 9999),
      unit: 'N',
      digits: 0,
      words: `of ${state.counterweightN.toFixed(0)} N`,
      working: `Patient’s weight × (sin θ + ${rig.friction}·cos θ) at ${(rig.raiseCm ?? state.raiseCm).toFixed(1)} cm on a wheelbase of ${rig.wheelbaseCm} cm. Without friction ${state.raiseCm.toFixed(0)} cm would be needed.`,
    },
  ]
}

function cautionsOf({ state }: TriedRig, model: RigModel): readonly BenchCaution[] {
  const cautions: BenchCaution[] = []
  const { ringCautionKPa, ringStopKPa, shearKPa } = rigLimits(model.protocol)
  if (model.capKg !== null && state.cordN / gravity > model.capKg + 1e-9)
    cautions.push({
      level: 'stop',
      text: 'Less pull, or a pin through the bone.',
      why: `The skin bears ${model.capKg} kg at most; the cord pulls ${kg(state.cordN)}.`,
    })
  const ringKPa = state.ringKPa ?? 0
  if (ringKPa > ringCautionKPa)
    cautions.push({
      level: ringKPa > ringStopKPa ? 'stop' : 'caution',
      text: 'Unload the ring: more counterweight, less tied in.',
      why: `${ringKPa.toFixed(1)} kPa under the ring.`,
    })
  if ((state.skinKPa ?? 0) > shearKPa)
    cautions.push({
      level: 'caution',
      text: 'Less pull, or longer strips.',
      why: `${(state.skinKPa ?? 0).toFixed(2)} kPa of drag; ${shearKPa} is the limit.`,
    })
  if (state.heldN < state.counterweightN - 0.5)
    cautions.push({
      level: 'caution',
      text: 'The patient slides down the bed: raise the foot end.',
      why: `The bed holds ${state.heldN.toFixed(0)} N of ${state.counterweightN.toFixed(0)} N.`,
    })
  return cautions
}
