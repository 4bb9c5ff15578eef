import { defineDefaults, readDefaults, type Protocol } from '../../quantities/defaults'
import type { RigKind, RigSetting } from '../../model/rig'
import { cordRoute } from './cord-route'
import { bedRaise } from './bed-raise'
import { gravity } from './leg-masses'
import { ringLoad, ringPressure, skinShear } from './ring-load'

export const rigDefaults = defineDefaults('rig', {
  splintKg: { value: 2.5, unit: 'kg', source: 'practice' },
  liftShare: { value: 0.6, unit: 'ratio', source: 'practice', note: 'of the inside leg from the groin: where the splint is lifted' },
  pulleyEfficiency: { value: 0.96, unit: 'ratio', source: 'physics' },
  onwardCm: {
    value: 50,
    unit: 'cm',
    source: 'practice',
    label: 'Last pulley beyond the splint',
    note: 'so that no weight hangs over the leg',
  },
  knotCm: { value: 18, unit: 'cm', source: 'practice', label: 'Knot headward of the first pulley' },
  dropCm: { value: 60, unit: 'cm', source: 'practice', label: 'Weight below its pulley' },
  tieCm: { value: 100, unit: 'cm', source: 'practice', label: 'Cord for the knots' },
  clearCm: { value: 20, unit: 'cm', source: 'practice', guard: 'never-less', label: 'Weight clear of splint, bed and floor' },
  beamCm: { value: 100, unit: 'cm', source: 'practice', note: 'above the splint’s bar' },
  fixedCm: { value: 30, unit: 'cm', source: 'practice', note: 'fixed pulleys to either side of the carried one' },
  friction: { value: 0.2, unit: 'ratio', source: 'model', guard: 'as-shipped' },
  wheelbaseCm: { value: 210, unit: 'cm', source: 'practice' },
})

/** What hangs in the rig, and what it rests on. */
export interface HungLimb {
  /** Leg and splint, cm footward from the groin. */
  readonly parts: readonly { readonly massKg: number; readonly atCm: number }[]
  /** Where the splint is to be lifted, cm footward from the groin. */
  readonly liftAtCm: number
  readonly patientKg: number
  /** Oblique groin girth; null while it is not known. */
  readonly groinCm: number | null
  /** Strip that holds on the skin; null with a pin, or while it is not known. */
  readonly stripCm: number | null
}

/** Every figure of a rig: as found, or as planned where nothing was said. */
export type RigPlan = Required<Omit<RigSetting, 'suspensionKg' | 'raiseCm' | 'bedEndCm'>> & {
  /** Null where nobody said. */
  readonly bedEndCm: number | null
  readonly suspensionKg: number | null
  readonly raiseCm: number | null
}

/** What a rig does to the limb that hangs in it. */
export interface RigState {
  readonly kind: RigKind
  /** Angles of the strands from the vertical, degrees: headward, footward; a straight cord has none. */
  readonly anglesDeg: readonly [number, number] | null
  readonly suspensionKg: number
  /** Tension of each cord without friction, N; a straight cord has one strand. */
  readonly strandsN: readonly [number, number]
  readonly cordN: number
  readonly counterweightN: number
  readonly liftN: number
  /** Of the suspension, headward positive, N. */
  readonly sideN: number
  /** Of suspension and counterweight, headward positive, N. */
  readonly axialN: number
  /** About the groin, what the lift leaves over, Nm: above 0 the leg sags, below it rises. */
  readonly hipMomentNm: number
  readonly hipShareN: number
  readonly ringLoadN: number
  readonly ringKPa: number | null
  readonly skinKPa: number | null
  /** Foot end to raise for the counterweight, no friction counted on, cm. */
  readonly raiseCm: number
  /** What the tilt of the bed and friction hold of the counterweight, N: beyond it the patient slides. */
  readonly heldN: number
  /** The weight that brings the moment about the groin to nought, kg. */
  readonly balanceKg: number
  /** Least and most that lifts the same once pulleys rub, kg. */
  readonly bandKg: readonly [number, number]
}

/** A setting with what was planned in every place that it leaves open. */
export function completeRig(
  setting: RigSetting,
  planned: {
    readonly kind: RigKind
    readonly liftAtCm: number
    readonly splintCm: number
    readonly counterweightKg: number
    readonly cordPullKg: number
  },
  protocol: Protocol,
): RigPlan {
  const usual = readDefaults(rigDefaults, protocol)
  const fixedCm = setting.fixedCm ?? ([-usual.fixedCm, usual.fixedCm] as const)
  return {
    kind: setting.kind ?? planned.kind,
    beamCm: setting.beamCm ?? usual.beamCm,
    fixedCm,
    knotCm: setting.knotCm ?? planned.liftAtCm + fixedCm[0] - usual.knotCm,
    onwardCm: setting.onwardCm ?? [planned.splintCm + usual.onwardCm],
    dropCm: setting.dropCm ?? usual.dropCm,
    bedEndCm: setting.bedEndCm ?? null,
    carriedAtCm: setting.carriedAtCm ?? planned.liftAtCm,
    suspensionKg: setting.suspensionKg ?? null,
    counterweightKg: setting.counterweightKg ?? planned.counterweightKg,
    cordPullKg: setting.cordPullKg ?? planned.cordPullKg,
    raiseCm: setting.raiseCm ?? null,
    wheelbaseCm: setting.wheelbaseCm ?? usual.wheelbaseCm,
    friction: setting.friction ?? usual.friction,
    eta: setting.eta ?? usual.pulleyEfficiency,
  }
}

/**
 * Statics of a suspended splint in the vertical plane through the limb, hinged at the groin: one cord from
 * the beam over two fixed pulleys and under one that the splint carries, or straight up; its weight as set, or the one that balances.
 * @example lift 100 N, beam 100, fixed ±30: φ 16.7°, 5.32 kg, sideways 0
 */
export function hangRig(limb: HungLimb, rig: RigPlan): RigState {
  const isCarried = rig.kind === 'carried-pulley'
  const offsetCm = rig.carriedAtCm - limb.liftAtCm
  const angles = isCarried
    ? ([Math.atan((offsetCm - rig.fixedCm[0]) / rig.beamCm), Math.atan((rig.fixedCm[1] - offsetCm) / rig.beamCm)] as const)
    : null
  const upPerN = angles ? Math.cos(angles[0]) + Math.cos(angles[1]) : 1
  const headPerN = angles ? Math.sin(angles[0]) - Math.sin(angles[1]) : 0
  const weightN = limb.parts.reduce((sum, one) => sum + gravity * one.massKg, 0)
  const momentNcm = limb.parts.reduce((sum, one) => sum + gravity * one.massKg * one.atCm, 0)
  const balanceKg = momentNcm / (rig.carriedAtCm * gravity * upPerN)
  const suspensionKg = rig.suspensionKg ?? balanceKg
  const strandN = gravity * suspensionKg
  const liftN = strandN * upPerN
  const sideN = strandN * headPerN
  const counterweightN = gravity * rig.counterweightKg
  const heldN = rig.raiseCm === null ? Infinity : gravity * limb.patientKg * holdShare(rig.raiseCm / rig.wheelbaseCm, rig.friction)
  // What the bed does not hold lets the patient slide, and pulls nothing.
  const footwardN = Math.min(counterweightN, heldN) - sideN
  const { tensionN, ringN } = ringLoad(gravity * rig.cordPullKg, footwardN)
  const pulleys = cordRoute(rig, limb.liftAtCm, 0).wheels
  return {
    kind: rig.kind,
    anglesDeg: angles ? [degrees(angles[0]), degrees(angles[1])] : null,
    suspensionKg,
    strandsN: [strandN, isCarried ? strandN : 0],
    cordN: tensionN,
    counterweightN,
    liftN,
    sideN: Math.abs(sideN) < 1e-9 ? 0 : sideN,
    axialN: sideN - counterweightN,
    hipMomentNm: rounded((momentNcm - liftN * rig.carriedAtCm) / 100),
    hipShareN: weightN - liftN,
    ringLoadN: ringN,
    ringKPa: limb.groinCm === null ? null : ringPressure(ringN, limb.groinCm),
    skinKPa: limb.stripCm === null || limb.stripCm <= 0 ? null : skinShear(tensionN, limb.stripCm),
    raiseCm: bedRaise(rig.counterweightKg, limb.patientKg, 0, rig.wheelbaseCm).raiseCm,
    heldN,
    balanceKg,
    bandKg: [suspensionKg * rig.eta ** pulleys, suspensionKg / rig.eta ** pulleys],
  }
}

/** Share of the patient's weight that a tilted bed holds along it: sin θ + μ·cos θ. */
function holdShare(sine: number, friction: number): number {
  const tilt = Math.asin(Math.max(-1, Math.min(1, sine)))
  return Math.sin(tilt) + friction * Math.cos(tilt)
}

function degrees(radians: number): number {
  return (radians * 180) / Math.PI
}

/** Nought where rounding alone is left. */
function rounded(value: number): number {
  return Math.abs(value) < 1e-9 ? 0 : value
}
