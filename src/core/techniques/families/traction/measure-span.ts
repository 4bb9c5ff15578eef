import type { Estimate } from '../../../figures/body/pool-side'
import { insideLeg, lowerLegLength } from '../../../figures/body/measurements/leg'
import type { PlanDraft } from '../../../planner/draft'
import { workingOf } from '../../../planner/draft'
import type { WorkingLine } from '../../../model/decision'
import type { LegSpan } from '../../../figures/traction/leg-masses'

export interface MeasuredSpan extends LegSpan {
  readonly insideLeg: Estimate
  readonly working: readonly WorkingLine[]
}

const footHeightShare = 0.039
/** Foot height as a share of lower leg length, from their shares of stature (0.039 ÷ 0.285). */
const footHeightOfLowerLeg = 0.137

/**
 * Lengths along the leg for straps, slings and suspension. The lower leg may come from stature, marked estimated.
 * Raises `missing` for what is not there.
 * @returns null without inside leg, or without both lower leg and stature
 */
export function measureSpan(draft: PlanDraft): MeasuredSpan | null {
  const inside = draft.require(insideLeg)
  const lowerLeg = draft.measure(lowerLegLength)
  const { heightCm } = draft.clinicalCase.patient
  if (!lowerLeg && heightCm === undefined) {
    draft.problem({
      code: 'missing',
      path: `measurements/${lowerLegLength.id}`,
      message: `${lowerLegLength.label} is missing: measure it, or enter the patient's height.`,
    })
  }
  if (!inside || (!lowerLeg && heightCm === undefined)) return null
  const lowerLegCm = lowerLeg?.value ?? (lowerLegLength.statureShare ?? 0) * (heightCm ?? 0)
  return {
    insideLeg: inside,
    insideLegCm: inside.value,
    lowerLegCm,
    footHeightCm: heightCm === undefined ? footHeightOfLowerLeg * lowerLegCm : footHeightShare * heightCm,
    working: [
      workingOf(inside),
      lowerLeg ? workingOf(lowerLeg) : { label: 'Lower leg length, from stature', value: lowerLegCm, unit: 'cm', from: 'estimated' },
    ],
  }
}
