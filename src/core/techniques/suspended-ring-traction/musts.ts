import type { StepNameOf } from '../../model/step-role'
import { must, type Must } from '../../model/order-rule'
import { checkMusts } from '../shared/musts'
import type { suspendedRingTractionRoles } from './roles'

/** Orders that are binding; any other is a habit of this house. */
export const suspendedRingTractionMusts: readonly Must<StepNameOf<typeof suspendedRingTractionRoles>>[] = [
  ...checkMusts,
  ...must('identity', ['strips', 'ring-set', 'pull'], 'the work on the wrong limb or patient'),
  ...must('baseline', ['strips', 'bandage', 'ring-set', 'pull', 'weights'], 'a loss that is found later cannot be dated'),
  ...must('strips', 'bandage', 'strips that creep'),
  ...must(['strips', 'bandage'], 'pull', 'nothing to pull on'),
  ...must(['ring-set', 'gutter', 'slings'], 'pull', 'nothing for the pull to push against, a leg that sags'),
  ...must(['slings', 'carried-pulley'], 'suspension', 'a splint that tips or slides along its yoke'),
  ...must('pull', 'suspension', 'a leg that swings before it is pulled to length'),
  ...must('suspension', ['tie-off', 'weights'], 'a cord that is slack by the next round'),
  ...must('tie-off', 'weights', 'a counterweight on a slack cord'),
]
