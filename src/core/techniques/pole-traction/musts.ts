import type { StepNameOf } from '../../model/step-role'
import { must, type Must } from '../../model/order-rule'
import { checkMusts } from '../shared/musts'
import type { poleTractionRoles } from './roles'

/** Orders that are binding; any other is a habit of this house. */
export const poleTractionMusts: readonly Must<StepNameOf<typeof poleTractionRoles>>[] = [
  ...checkMusts,
  ...must('identity', 'thigh-strap', 'the work on the wrong limb or patient'),
  ...must('position', 'thigh-strap', 'a leg seen to while an airway or a bleed waits'),
  ...must('baseline', ['thigh-strap', 'hitch', 'pull'], 'a loss that is found later cannot be dated'),
  ...must(['join-pole', 'pull-joints'], 'fit-pole', 'a joint that opens under pull'),
  ...must('thigh-strap', ['fit-pole', 'pull'], 'nothing for the pole to push against'),
  ...must('hitch', 'pull', 'nothing to pull on'),
  ...must('fit-pole', 'pull', 'an end that jumps out under pull'),
  ...must('pull', 'straps', 'the leg is bound short'),
]
