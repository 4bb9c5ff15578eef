import { must, type Must } from '../../model/order-rule'
import { limbMusts, wetMusts } from '../shared/musts'

/** Orders that are binding; any other is a habit of this house. A roll late on the one beneath is damped, and warned of by its clock. */
export const legCastMusts: readonly Must[] = [
  ...limbMusts,
  ...wetMusts,
  ...must('bone-points', 'roll-1', 'angles and axis that are wrong now are wrong for weeks; a crease behind the knee'),
  ...must('toe-grip', 'roll-*', 'a dent or a bare patch where the hand was'),
  ...must('relief-cuts', 'hold-set', 'a hard edge in the hollow of the knee'),
  ...must('trim', 'after-check', 'toes that nobody sees cannot be checked'),
]
