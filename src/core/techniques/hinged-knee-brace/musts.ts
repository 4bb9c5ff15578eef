import type { StepNameOf } from '../../model/step-role'
import { must, type Must } from '../../model/order-rule'
import { checkMusts } from '../shared/musts'
import type { hingedKneeBraceRoles } from './roles'

/** Orders that are binding; any other is a habit of this house. */
export const hingedKneeBraceMusts: readonly Must<StepNameOf<typeof hingedKneeBraceRoles>>[] = [
  ...checkMusts,
  ...must('identity', ['open', 'hinges', 'rear-straps'], 'the work on the wrong limb or patient'),
  ...must('baseline', ['open', 'hinges', 'rear-straps', 'front-straps'], 'a loss that is found later cannot be dated'),
  ...must('open', 'hinges', 'a knee bent by the frame that is pushed over it'),
  ...must(['hinges', 'bars', 'buckles'], ['rear-straps', 'front-straps'], 'a hinge that wanders while it is strapped'),
  ...must('rear-straps', 'front-straps', 'a hinge drawn off its point'),
  ...must('stops', 'walk', 'a repair torn at the first bend'),
  ...must('after-check', 'walk', 'up before anybody looked again'),
]
