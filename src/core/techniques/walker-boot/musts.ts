import type { StepNameOf } from '../../model/step-role'
import { must, type Must } from '../../model/order-rule'
import { checkMusts } from '../shared/musts'
import type { walkerBootRoles } from './roles'

/** Orders that are binding; any other is a habit of this house. */
export const walkerBootMusts: readonly Must<StepNameOf<typeof walkerBootRoles>>[] = [
  ...checkMusts,
  ...must('identity', ['wedges', 'heel-home', 'straps'], 'the work on the wrong limb or patient'),
  ...must('baseline', ['heel-home', 'liner', 'straps'], 'a loss that is found later cannot be dated'),
  ...must('wedges', 'heel-home', 'a cord stretched by a flat sole'),
  ...must(['heel-home', 'liner'], 'straps', 'toes over the edge, or a crease that blisters'),
  ...must('straps', 'stand', 'a fall in an open boot'),
  ...must(['stand', 'toes'], 'fix-tabs', 'a boot that does not fit cannot be given back'),
]
