import type { StepNameOf } from '../../model/step-role'
import { must, type Must } from '../../model/order-rule'
import { limbMusts, wetMusts } from '../shared/musts'
import type { slabAndStirrupRoles } from './roles'

/** Orders that are binding; any other is a habit of this house. */
export const slabAndStirrupMusts: readonly Must<StepNameOf<typeof slabAndStirrupRoles>>[] = [
  ...limbMusts,
  ...wetMusts,
  ...must('cut-slab', 'wet', 'a closed tube: the open front was never tried dry'),
  ...must('wet', ['lay', 'stirrup'], 'it is dry and does not bond'),
  ...must('lay', 'bandage', 'nothing holds behind the leg'),
  ...must('stirrup', 'bandage', 'the ankle tilts with nothing at its sides'),
  ...must('finish', 'after-check', 'toes that nobody sees cannot be checked'),
]
