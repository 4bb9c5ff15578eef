import type { LegSpan } from '../../../figures/traction/leg-masses'
import type { PlanDraft } from '../../../planner/draft'
import { defineDefaults, readDefaults } from '../../../quantities/defaults'

export const stripDefaults = defineDefaults('strip', {
  fromCm: { value: 7, unit: 'cm', source: 'practice', note: 'above the ankle' },
  shearKPa: { value: 0.8, unit: 'kPa', source: 'practice' },
})

/** Strip that holds on the skin, cm: from 7 cm above the ankle to the break, or to mid-thigh; may be below 0. */
export function holdingStripCm(draft: PlanDraft, span: LegSpan): number {
  const { fromCm } = readDefaults(stripDefaults, draft.ctx.protocol)
  const upperCm = draft.clinicalCase.injury.levelCm ?? (span.lowerLegCm + span.insideLegCm) / 2
  return upperCm - span.footHeightCm - fromCm
}
