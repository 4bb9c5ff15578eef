import type { StepNameOf } from '../../model/step-role'
import { must, type Must } from '../../model/order-rule'
import { checkMusts } from '../shared/musts'
import type { ringTractionRoles } from './roles'

/** Orders that are binding; any other is a habit of this house. */
export const ringTractionMusts: readonly Must<StepNameOf<typeof ringTractionRoles>>[] = [
  ...checkMusts,
  ...must('identity', ['strips', 'ring-set', 'close-straps'], 'the work on the wrong limb or patient'),
  ...must('baseline', ['strips', 'pull', 'close-straps'], 'a loss that is found later cannot be dated'),
  ...must('build', ['side-supports', 'slide'], 'built while somebody holds the pull, whose hands tire'),
  ...must(['side-supports', 'ring-set'], 'slide', 'the wrong ring, or bars that close on the leg'),
  ...must('strips', 'pull', 'nothing to pull on'),
  ...must('pull', 'slide', 'bone ends that grate as it is slid under'),
  ...must('slide', 'tie-off', 'nothing for the ring to push against'),
  ...must('tie-off', ['close-straps', 'prop'], 'the leg is bound short, or the pull is lost'),
]
