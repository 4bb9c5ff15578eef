import { isOrdered } from '../../model/orders'
import { midThighGirth } from '../../figures/body/measurements/leg'
import type { Estimate } from '../../figures/body/pool-side'
import { hasFlag } from '../../model/clinical-case'
import { workingOf, type PlanDraft } from '../../planner/draft'
import { defineDefaults, readDefaults } from '../../quantities/defaults'
import { noteLevelUnknown } from '../families/traction/decide-strap-places'
import { bedRaise } from '../../figures/traction/bed-raise'
import { checkSkinCap, type Strips } from '../families/traction/decide-pull'
import { gravity } from '../../figures/traction/leg-masses'
import type { MeasuredSpan } from '../families/traction/measure-span'
import { ringLoad, skinShear } from '../../figures/traction/ring-load'
import { decideRingPressure } from '../families/traction/ring'
import { hungLimb, plannedRig, type RigFacts } from '../families/traction/hung-limb'
import { holdingStripCm, stripDefaults } from '../families/traction/holding-strip'
import { barsAboveBedCm, cordRoute, weightPlace, type CordRoute } from '../../figures/traction/cord-route'
import { hangRig, rigDefaults, type RigPlan, type RigState } from '../../figures/traction/hang-rig'
import { listKind } from '../shared/list-kind'
import { stripWidthCm } from '../families/traction/strip-width'
import { formatValue } from '../../planner/format-decision'

export const balanceDefaults = defineDefaults('balance', {
  ruleKg: { value: 8, unit: 'kg', source: 'practice', guard: 'never-more' },
  ruleAtKg: { value: 70, unit: 'kg', source: 'practice' },
})

/** What eight kilograms do where the pull is on skin, and what is safe until a pin is in. */
export function judgeEightOnSkin(
  draft: PlanDraft,
  { counterweightKg, pullKg, capKg, span }: { counterweightKg: number; pullKg: number; capKg: number; span: MeasuredSpan | null },
): void {
  if (counterweightKg <= capKg + 1e-9) return
  const holdCm = span ? holdingStripCm(draft, span) : 0
  const drag = holdCm > 0 ? ` and drag the skin with ${skinShear(gravity * counterweightKg, holdCm).toFixed(2)} kPa` : ''
  draft.caution({
    level: 'caution',
    code: 'eight-on-skin',
    decisions: ['counterweight'],
    steps: ['weights'],
    text: `Tonight, until a pin is in: hang ${formatValue(Math.min(pullKg, capKg), 'kg')}, matched to the pull, and leave the rest to the ring.`,
    why: `At ${formatValue(counterweightKg, 'kg')} the strips carry ${(gravity * counterweightKg).toFixed(0)} N${drag}; skin bears ${formatValue(capKg, 'kg')} at most.`,
  })
}

/** Decides `counterweight`: matched to the set pull, about eight kilograms by mass, or none. */
export function decideCounterweight(draft: PlanDraft, school: string, massKg: number, pullKg: number): number {
  const balance = readDefaults(balanceDefaults, draft.ctx.protocol)
  const ruleKg = balance.ruleKg * Math.min(1, massKg / balance.ruleAtKg)
  const value = school === 'none' ? 0 : school === 'about-eight' ? ruleKg : Math.min(ruleKg, pullKg)
  return draft.decide({
    id: 'counterweight',
    value,
    source: 'practice',
    school:
      school === 'none'
        ? 'None: the ring carries the pull'
        : school === 'about-eight'
          ? 'About eight kilograms'
          : 'Matched to the set pull',
    formula: 'About 8 kg, less in proportion below 70 kg; matched: no more than the set pull.',
    working: [
      { label: 'Body mass', value: massKg, unit: 'kg', from: 'measured' },
      { label: 'By the rule', value: ruleKg, unit: 'kg', from: 'computed' },
      { label: 'Set pull', value: pullKg, unit: 'kg', from: 'computed' },
    ],
  })
}

/**
 * Decides `suspension-weight`: what balances leg and splint about the groin in the rig that is drawn.
 * @returns the rig with that weight in it, an overruled one too
 */
export function decideSuspension(
  draft: PlanDraft,
  facts: RigFacts,
): { readonly rig: RigPlan; readonly state: RigState; readonly route: CordRoute } {
  const rig = plannedRig(draft, facts)
  const limb = hungLimb(draft, facts)
  const balanced = hangRig(limb, rig)
  const angles = balanced.anglesDeg
  const value = draft.decide({
    id: 'suspension-weight',
    value: balanced.suspensionKg,
    source: 'physics',
    school: angles ? 'Cord under a carried pulley, two strands' : 'Straight cord',
    formula: angles
      ? 'About the groin: (leg × its arms + splint × half its length) ÷ arm of the carried pulley = lift; lift ÷ (cos φ1 + cos φ2), φ from beam height and fixed pulleys. It carries the leg; it is not the traction.'
      : 'About the groin: (leg × its arms + splint × half its length) ÷ arm of the cord = lift. It carries the leg; it is not the traction.',
    working: [
      { label: 'Body mass', value: facts.massKg, unit: 'kg', from: 'measured' },
      { label: 'Splint length', value: facts.splintCm, unit: 'cm', from: 'computed' },
      { label: 'Lifted at, from the groin', value: rig.carriedAtCm, unit: 'cm', from: 'default', where: 'suspension' },
      ...(angles
        ? [
            { label: 'Beam above the bar', value: rig.beamCm, unit: 'cm', from: 'default' as const },
            { label: 'Strands from the vertical', value: [...angles], unit: 'deg', from: 'computed' as const },
          ]
        : []),
      { label: 'Lift', value: balanced.liftN, unit: 'N', from: 'computed' },
      { label: 'Cord runs over', value: cordRoute(rig, limb.liftAtCm, 0).wheels, unit: 'pulleys', from: 'computed' },
      { label: 'Least and most with pulley friction', value: [...balanced.bandKg], unit: 'kg', from: 'computed' },
      { label: 'Borne by the hip', value: balanced.hipShareN, unit: 'N', from: 'computed' },
      { label: 'Suspension pulls headward', value: balanced.sideN, unit: 'N', from: 'computed' },
    ],
  })
  const hung = { ...rig, suspensionKg: value }
  const route = cordRoute(rig, limb.liftAtCm, readDefaults(rigDefaults, draft.ctx.protocol).tieCm)
  judgeWeightPlace(draft, rig, route, facts.splintCm)
  return { rig: hung, state: hangRig(limb, hung), route }
}

/** The weight hangs beyond the splint, and clear of the bed where it hangs over it. */
function judgeWeightPlace(draft: PlanDraft, rig: RigPlan, { lastCm }: CordRoute, splintCm: number): void {
  const { clearCm } = readDefaults(rigDefaults, draft.ctx.protocol)
  const common = { level: 'stop', decisions: ['suspension-weight'], steps: ['suspension'] } as const
  const { isOverLeg, isOnBed, aboveBedCm } = weightPlace(rig, lastCm, splintCm, clearCm)
  if (isOverLeg)
    draft.caution({
      ...common,
      isFloor: true,
      code: 'weight-over-leg',
      text: `Fix the last pulley ${formatValue(splintCm + clearCm, 'cm')} from the groin or farther, and lead the cord on to it.`,
      why: `The weight would hang ${formatValue(lastCm, 'cm')} from the groin, and the splint ends at ${formatValue(splintCm, 'cm')}: if a cord or knot gives, it falls on the leg.`,
    })
  if (isOnBed)
    draft.caution({
      ...common,
      code: 'weight-on-bed',
      text: `Shorten the drop to ${formatValue(rig.beamCm + barsAboveBedCm - clearCm, 'cm')}, or lead the cord beyond the bed's end.`,
      why: `It hangs over the bed, ${formatValue(Math.max(0, aboveBedCm ?? 0), 'cm')} above it: on the bed it lifts nothing.`,
    })
}

/**
 * Decides `cord-tension`, `ring-pressure` and, on skin, `skin-shear` with the cap that no strip may pass.
 * @param rig with what it pulls footward beside the counterweight; null before there is a length
 */
export function decideCord(
  draft: PlanDraft,
  facts: {
    massKg: number
    pullKg: number
    counterweightKg: number
    strips: Strips | null
    groin: Estimate | null
    span: MeasuredSpan | null
  },
  rig: RigState | null,
): void {
  const { massKg, pullKg, counterweightKg, strips, groin, span } = facts
  const footwardN = gravity * counterweightKg - (rig?.sideN ?? 0)
  const computedN = ringLoad(gravity * pullKg, footwardN).tensionN
  const saidN = draft.decide({
    id: 'cord-tension',
    value: computedN,
    display: describeTension(computedN),
    source: 'physics',
    formula: 'A ring cannot pull: the greater of the set pull and what counterweight and suspension pull footward.',
    working: [
      { label: 'Set pull', value: gravity * pullKg, unit: 'N', from: 'computed' },
      { label: 'Counterweight’s pull', value: gravity * counterweightKg, unit: 'N', from: 'computed' },
      { label: 'Suspension pulls footward', value: 0 - (rig?.sideN ?? 0), unit: 'N', from: 'computed' },
    ],
  })
  // However slack the cord is said to be, skin and ring bear what pull and counterweight give: the worse of both is judged.
  const tensionN = Math.max(saidN, computedN)
  if (groin) decideRingPressure(draft, Math.max(0, tensionN - footwardN), groin, true)
  if (strips === null) return
  checkSkinCap(draft, tensionN, massKg, strips)
  if (span) decideShear(draft, tensionN, span)
}

function describeTension(tensionN: number): string {
  return `${tensionN.toFixed(0)} N (${(tensionN / gravity).toFixed(1)} kg)`
}

function decideShear(draft: PlanDraft, tensionN: number, span: MeasuredSpan): void {
  const { fromCm, shearKPa } = readDefaults(stripDefaults, draft.ctx.protocol)
  if (draft.clinicalCase.injury.levelCm === null) noteLevelUnknown(draft, ['skin-shear'])
  const lengthCm = holdingStripCm(draft, span)
  if (lengthCm <= 0) {
    draft.caution({
      level: 'caution',
      code: 'skin-shear',
      lasts: true,
      decisions: ['cord-tension'],
      steps: ['strips'],
      text: 'No skin below the break is long enough for strips: have a bone pin considered.',
      why: `Strips hold from ${fromCm} cm above the ankle to the break.`,
    })
    return
  }
  const kPa = skinShear(tensionN, lengthCm)
  if (kPa > shearKPa) {
    draft.caution({
      level: 'caution',
      code: 'skin-shear',
      lasts: true,
      decisions: ['skin-shear'],
      steps: ['strips'],
      text: 'Less pull, or strips as high as the break allows; look at the skin every four hours.',
      why: `The strips drag the skin with ${kPa.toFixed(2)} kPa; ${shearKPa} kPa is the limit.`,
    })
  }
  draft.decide({
    id: 'skin-shear',
    value: kPa,
    display: `${kPa.toFixed(2)} kPa`,
    source: 'physics',
    formula: '10 × cord tension ÷ (2 × strip length × 7.5 cm), from 7 cm above the ankle to the break, or to mid-thigh.',
    working: [
      { label: 'Cord tension', value: tensionN, unit: 'N', from: 'computed' },
      { label: 'Strip length that holds', value: lengthCm, unit: 'cm', from: 'computed', where: midThighGirth.id.replace('-girth', '') },
    ],
  })
}

/** Decides `foot-raise` and stops it for those who must not lie head down. */
export function decideFootRaise(draft: PlanDraft, counterweightKg: number, massKg: number): void {
  const usual = readDefaults(rigDefaults, draft.ctx.protocol)
  const wheelbaseCm = draft.clinicalCase.rig?.wheelbaseCm ?? usual.wheelbaseCm
  const friction = draft.clinicalCase.rig?.friction ?? usual.friction
  const raise = bedRaise(counterweightKg, massKg, 0, wheelbaseCm)
  const withFriction = bedRaise(counterweightKg, massKg, friction, wheelbaseCm)
  const value = draft.decide({
    id: 'foot-raise',
    value: raise.raiseCm,
    source: 'physics',
    formula: 'Arc sine of counterweight ÷ body mass, over the wheelbase of the bed; no friction counted on.',
    working: [
      { label: 'Counterweight', value: counterweightKg, unit: 'kg', from: 'computed' },
      { label: 'Body mass', value: massKg, unit: 'kg', from: 'measured' },
      { label: 'Tilt', value: raise.angleDeg, unit: 'deg', from: 'computed' },
      { label: 'Wheelbase', value: wheelbaseCm, unit: 'cm', from: 'default' },
      { label: `Least raise with friction ${friction}`, value: withFriction.raiseCm, unit: 'cm', from: 'computed' },
    ],
    alternatives: [
      { value: 0, display: 'No counterweight', why: 'Option counterweight none: the ring carries the pull and needs its relief plan.' },
      { value: 0, display: 'Thigh-side countertraction', why: 'A padded sling in the groin, tied to the head of the bed.' },
    ],
  })
  const isSlung = isOrdered(draft.clinicalCase.orders.countertraction)
  if (counterweightKg > 0 && value < withFriction.raiseCm - 1e-9 && !isSlung)
    draft.caution({
      level: 'stop',
      isFloor: true,
      code: 'no-countertraction',
      decisions: ['foot-raise'],
      at: ['pulls'],
      steps: ['weights'],
      text: `Raise the foot end at least ${formatValue(withFriction.raiseCm, 'cm')}, enter the order for a groin sling, or hang no counterweight.`,
      why: 'Nothing else holds the patient against the weight: they slide down the bed until the weight stands on the floor.',
    })
  if (value <= 0) return
  for (const [flag, why] of [
    ['breathless-lying', 'Head down, the belly presses on the lungs.'],
    ['head-injury', 'Head down, the pressure in the head rises.'],
    ['pregnant-late', 'Head down, the womb presses on lungs and great vein.'],
  ] as const) {
    if (!hasFlag(draft.clinicalCase, flag)) continue
    draft.caution({
      level: 'stop',
      code: flag,
      decisions: ['foot-raise'],
      steps: ['weights'],
      text: 'Do not raise the foot end: counterweight none, or a thigh-side countertraction.',
      why,
    })
  }
}

/** Decides `strips`, the one strip to cut: down the inner side, a loop of 30 cm under the foot, up the outer side. */
export function decideStripLength(draft: PlanDraft, inside: Estimate, outer: Estimate): void {
  const lengthCm = draft.decide({
    id: 'strips',
    value: inside.value + outer.value + 30,
    source: 'practice',
    formula: 'Inside leg + outer leg + 30 cm for the loop: one strip.',
    working: [workingOf(inside), workingOf(outer), { label: 'Loop', value: 30, unit: 'cm', from: 'default' }],
  })
  listKind(draft, {
    id: 'strips',
    item: 'skin-strip',
    decision: 'strips',
    step: 'strips',
    lengthCm,
    widthCm: stripWidthCm,
    note: `one strip of ${stripWidthCm} cm, the loop of 30 cm in its middle`,
  })
}
