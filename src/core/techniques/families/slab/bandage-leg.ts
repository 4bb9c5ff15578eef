import type { LegModel } from '../../../figures/body/leg-model'
import { bandageDefaults } from '../../../figures/wraps/bandage-pressure'
import { decideLegBandage, decideLegWrap } from '../wraps/leg-wraps'
import type { PlanDraft } from '../../../planner/draft'
import { readDefaults } from '../../../quantities/defaults'

/**
 * Decides `padding` and `bandage` of a slab on the leg, and looks at the bandage's pressure.
 * @param model with its lengths known
 * @param top where the slab ends
 * @param notes how each is laid on
 */
export function bandageLeg(
  draft: PlanDraft,
  model: LegModel,
  top: 'mid-thigh' | 'below-knee',
  notes: { readonly padding: string; readonly bandage: string },
): void {
  decideLegWrap(draft, model, {
    decision: 'padding',
    item: 'padding-roll',
    top,
    passes: 1,
    isOverPadding: false,
    note: notes.padding,
  })
  decideLegBandage(draft, model, { top, passes: readDefaults(bandageDefaults, draft.ctx.protocol).passes, note: notes.bandage })
}
