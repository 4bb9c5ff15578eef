import type { StepNameOf } from '../../model/step-role'
import { must, type Must } from '../../model/order-rule'
import { checkMusts } from '../shared/musts'
import type { extricationCollarRoles } from './roles'

/** Orders that are binding; any other is a habit of this house. Airway trouble skips the baseline: that is a trouble, not another order. */
export const extricationCollarMusts: readonly Must<StepNameOf<typeof extricationCollarRoles>>[] = [
  ...checkMusts,
  ...must(
    'hold-head',
    ['position', 'free-locks', 'size-collar', 'close-collar', 'blocks', 'straps', 'baseline'],
    'a neck that moves with every later step',
  ),
  ...must('baseline', ['close-collar', 'blocks', 'straps'], 'a loss that is found later cannot be dated'),
  ...must('free-locks', 'size-collar', 'a collar that is higher on one side'),
  ...must('size-collar', ['lock-equal', 'close-collar'], 'a collar that tilts or lifts the head'),
  ...must('lock-equal', 'close-collar', 'a height that slips once it is closed'),
  ...must('neck-seen', 'close-collar', 'a wound or a chain shut in unseen'),
  ...must('oxygen-flow', 'oxygen', 'a mask without flow suffocates'),
  ...must(['blocks', 'straps'], 'hands-off', 'a head that rolls on the stretcher'),
  ...must('close-collar', 'hands-off', 'a head that rolls on the stretcher'),
  ...must('after-check', 'tell-driver', 'moved before anybody looked again'),
]
