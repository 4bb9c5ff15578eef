import type { StepNameOf } from '../../model/step-role'
import { must, type Must } from '../../model/order-rule'
import { limbMusts, wetMusts } from '../shared/musts'
import type { legCastRoles } from './roles'

/** Orders that are binding; any other is a habit of this house. A roll late on the one beneath is damped, and warned of by its clock. */
export const legCastMusts: readonly Must<StepNameOf<typeof legCastRoles>>[] = [
  ...limbMusts,
  ...wetMusts,
  ...must({ role: 'hold-taken' }, 'stocking', 'the injury moves while it is wrapped'),
  ...must('hold-foot', 'hold-thigh', 'lifted at the knee while nobody has the foot, the break bends'),
  ...must(['padding-thigh', 'padding'], 'roll-1', 'a burn, or a sore over bone'),
  ...must('bone-points', 'roll-1', 'angles and axis that are wrong now are wrong for weeks; a crease behind the knee'),
  ...must('toe-grip', ['padding', 'roll-*'], 'a dent or a bare patch where the hand was'),
  ...must('relief-cuts', 'hold-set', 'a hard edge in the hollow of the knee'),
  ...must('trim', 'after-check', 'toes that nobody sees cannot be checked'),
]
