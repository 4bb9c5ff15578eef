import type { StepNameOf } from '../../model/step-role'
import { must, type Must } from '../../model/order-rule'
import { checkMusts } from '../shared/musts'
import type { careCollarRoles } from './roles'

/** Orders that are binding; any other is a habit of this house. */
export const careCollarMusts: readonly Must<StepNameOf<typeof careCollarRoles>>[] = [
  ...checkMusts,
  ...must(
    'hold-head',
    ['front-off', 'look-front', 'wash', 'roll', 'back-off', 'look-back', 'back-on', 'back-strap', 'roll-back', 'front-on', 'settle'],
    'a neck that moves with every later step',
  ),
  ...must('baseline', ['front-off', 'front-on', 'back-on', 'roll', 'settle'], 'a loss that is found later cannot be dated'),
  ...must('wash', ['front-on', 'settle'], 'damp skin shut in'),
  ...must('roll', ['back-off', 'look-back'], 'a back that cannot be seen without lifting the head'),
  ...must('back-on', ['back-strap', 'roll-back', 'settle'], 'a collar that holds from in front alone'),
  ...must('back-strap', 'roll-back', 'the back half slides as the patient is rolled'),
  ...must('front-on', 'settle', 'a collar that holds from behind alone'),
]
