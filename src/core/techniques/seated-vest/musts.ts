import type { StepNameOf } from '../../model/step-role'
import { must, type Must } from '../../model/order-rule'
import { checkMusts } from '../shared/musts'
import type { seatedVestRoles } from './roles'

/** Orders that are binding; any other is a habit of this house. */
export const seatedVestMusts: readonly Must<StepNameOf<typeof seatedVestRoles>>[] = [
  ...checkMusts,
  ...must(
    'hold-head',
    ['upright', 'size-collar', 'vest-in', 'arms-up', 'strap-middle', 'baseline'],
    'a neck that moves with every later step',
  ),
  ...must(
    'baseline',
    ['upright', 'size-collar', 'vest-in', 'strap-middle', 'strap-bottom', 'strap-legs', 'head-straps', 'strap-top', 'straps'],
    'a loss that is found later cannot be dated',
  ),
  ...must('vest-in', 'arms-up', 'arms raised twice'),
  ...must('arms-up', 'strap-middle', 'head flaps at the shoulders, a strap over an arm'),
  ...must(['strap-middle', 'strap-bottom', 'strap-legs', 'head-pad'], 'head-straps', 'the body swings on the neck'),
  ...must('head-straps', 'strap-top', 'breath taken for longer than it must be'),
  ...must('straps', 'board', 'a slack strap found in the lift'),
  ...must('after-check', 'board', 'moved before anybody looked again'),
]
