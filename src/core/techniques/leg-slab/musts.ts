import type { StepNameOf } from '../../model/step-role'
import { must, type Must } from '../../model/order-rule'
import { limbMusts, wetMusts } from '../shared/musts'
import type { legSlabRoles } from './roles'

/** Orders that are binding; any other is a habit of this house. */
export const legSlabMusts: readonly Must<StepNameOf<typeof legSlabRoles>>[] = [
  ...limbMusts,
  ...wetMusts,
  ...must('cut-slab', 'wet', 'a closed tube: its front gap was never tried dry'),
  ...must('wet', 'lay', 'it is dry and does not bond'),
  ...must('fold', 'bandage', 'edges at toe and fibular neck are out of reach under it'),
  ...must('trim', 'after-check', 'toes that nobody sees cannot be checked'),
]
