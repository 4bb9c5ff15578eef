import type { PlanDraft } from '../../planner/draft'
import { judgeHeldAnkle, judgeSlabSwelling } from '../families/slab/ankle'
import { judgeGravity } from '../families/slab/hold'
import type { OptionValues } from '../../planner/technique'
import { isTibial, type Extent } from './options'

/** Rules that look at more than one flag: ankle position, swelling, and the joint above left free. */
export function applyLegSlabRules(draft: PlanDraft, options: OptionValues, extent: Extent): void {
  judgeHeldAnkle(draft, options)
  judgeSlabSwelling(draft)
  judgeGravity(draft, options)
  if (isTibial(draft.clinicalCase) && extent === 'below-knee') {
    draft.caution({
      level: 'caution',
      code: 'joint-above-free',
      steps: ['lay'],
      text: 'Take the slab above the knee unless the order says otherwise.',
      why: 'With the knee free, a tibial fracture still turns and bends.',
    })
  }
}
