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
import { solveSuspension } from '../families/traction/decide-suspension'

export const balanceDefaults = defineDefaults('balance', {
  ruleKg: { value: 8, unit: 'kg', source: 'practice' },
  ruleAtKg: { value: 70, unit: 'kg', source: 'practice' },
  friction: { value: 0.2, unit: 'ratio', source: 'model' },
  wheelbaseCm: { value: 210, unit: 'cm', source: 'practice' },
  shearKPa: { value: 0.8, unit: 'kPa', source: 'practice' },
  stripsFromCm: { value: 7, unit: 'cm', source: 'practice', note: 'above the ankle' },
})

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

/** Decides `suspension-weight` from the rig, with lift, hip share and what pulley friction does to it. */
export function decideSuspension(draft: PlanDraft, massKg: number, span: MeasuredSpan, splintCm: number, counterweightKg: number): void {
  const solved = solveSuspension(draft, massKg, span, splintCm, counterweightKg)
  const cord = solved?.tensions.find((one) => one.id === 'suspension')
  if (!solved || !cord) return
  draft.decide({
    id: 'suspension-weight',
    value: cord.weightKg,
    source: 'physics',
    formula:
      'About the hip: (leg × its arm + splint × half its length) ÷ arm of the cords, which hang vertical at 0.6 of the inside leg. It carries the leg; it is not the traction.',
    working: [
      ...span.working,
      { label: 'Body mass', value: massKg, unit: 'kg', from: 'measured' },
      { label: 'Splint length', value: splintCm, unit: 'cm', from: 'computed' },
      { label: 'Lift', value: solved.liftN, unit: 'N', from: 'computed' },
      { label: 'Least and most with pulley friction', value: cord.bandN.map((newton) => newton / gravity), unit: 'kg', from: 'computed' },
      { label: 'Share of the weight left to the hip', value: solved.hipShare, unit: 'ratio', from: 'computed' },
      { label: 'Footward pull of all cords', value: solved.axialN, unit: 'N', from: 'computed' },
    ],
  })
}

/** Decides `cord-tension`, `ring-pressure` and, on skin, `skin-shear` with the cap that no strip may pass. */
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
): void {
  const { massKg, pullKg, counterweightKg, strips, groin, span } = facts
  const load = ringLoad(gravity * pullKg, gravity * counterweightKg)
  const tensionN = draft.decide({
    id: 'cord-tension',
    value: load.tensionN,
    display: `${load.tensionN.toFixed(0)} N (${(load.tensionN / gravity).toFixed(1)} kg)`,
    source: 'physics',
    formula: 'A ring cannot pull: the greater of the set pull and the counterweight’s pull.',
    working: [
      { label: 'Set pull', value: gravity * pullKg, unit: 'N', from: 'computed' },
      { label: 'Counterweight’s pull', value: gravity * counterweightKg, unit: 'N', from: 'computed' },
    ],
  })
  if (groin) decideRingPressure(draft, Math.max(0, tensionN - gravity * counterweightKg), groin)
  if (strips === null) return
  checkSkinCap(draft, tensionN, massKg, strips)
  if (span) decideShear(draft, tensionN, span)
}

function decideShear(draft: PlanDraft, tensionN: number, span: MeasuredSpan): void {
  const balance = readDefaults(balanceDefaults, draft.ctx.protocol)
  const { levelCm } = draft.clinicalCase.injury
  if (levelCm === null) noteLevelUnknown(draft, ['skin-shear'])
  const upperCm = levelCm ?? (span.lowerLegCm + span.insideLegCm) / 2
  const lengthCm = upperCm - span.footHeightCm - balance.stripsFromCm
  if (lengthCm <= 0) {
    draft.caution({
      level: 'caution',
      code: 'skin-shear',
      decisions: ['cord-tension'],
      steps: ['strips'],
      text: 'No skin below the break is long enough for strips: have a bone pin considered.',
      why: 'Strips hold from 7 cm above the ankle to the break.',
    })
    return
  }
  const kPa = skinShear(tensionN, lengthCm)
  if (kPa > balance.shearKPa) {
    draft.caution({
      level: 'caution',
      code: 'skin-shear',
      decisions: ['skin-shear'],
      steps: ['strips'],
      text: 'Less pull, or strips as high as the break allows; look at the skin every four hours.',
      why: `The strips drag the skin with ${kPa.toFixed(2)} kPa; ${balance.shearKPa} kPa is the limit.`,
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

/** Decides `foot-raise` and stops it for those who must not lie head down (SAFETY, PRECISIONS Foot-raise). */
export function decideFootRaise(draft: PlanDraft, counterweightKg: number, massKg: number): void {
  const balance = readDefaults(balanceDefaults, draft.ctx.protocol)
  const raise = bedRaise(counterweightKg, massKg, 0, balance.wheelbaseCm)
  const withFriction = bedRaise(counterweightKg, massKg, balance.friction, balance.wheelbaseCm)
  const value = draft.decide({
    id: 'foot-raise',
    value: raise.raiseCm,
    source: 'physics',
    formula: 'Arc sine of counterweight ÷ body mass, over the wheelbase of the bed; no friction counted on.',
    working: [
      { label: 'Counterweight', value: counterweightKg, unit: 'kg', from: 'computed' },
      { label: 'Body mass', value: massKg, unit: 'kg', from: 'measured' },
      { label: 'Tilt', value: raise.angleDeg, unit: 'deg', from: 'computed' },
      { label: 'Wheelbase', value: balance.wheelbaseCm, unit: 'cm', from: 'default' },
      { label: `Least raise with friction ${balance.friction}`, value: withFriction.raiseCm, unit: 'cm', from: 'computed' },
    ],
    alternatives: [
      { value: 0, display: 'No counterweight', why: 'Option counterweight none: the ring carries the pull and needs its relief plan.' },
      { value: 0, display: 'Thigh-side countertraction', why: 'A padded sling in the groin, tied to the head of the bed.' },
    ],
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
      steps: ['raise-foot'],
      text: 'Do not raise the foot end: counterweight none, or a thigh-side countertraction.',
      why,
    })
  }
}

/** Decides `strips`, the length to cut: both sides of the leg, doubled, and a loop of 30 cm. */
export function decideStripLength(draft: PlanDraft, inside: Estimate, outer: Estimate): void {
  draft.decide({
    id: 'strips',
    value: 2 * (inside.value + outer.value) + 30,
    source: 'practice',
    formula: '2 × (inside leg + outer leg) + 30 cm for the loop.',
    working: [workingOf(inside), workingOf(outer), { label: 'Loop', value: 30, unit: 'cm', from: 'default' }],
  })
}
