import type { StepNameOf } from '../../model/step-role'
import { must, type Must } from '../../model/order-rule'
import { checkMusts } from '../shared/musts'
import type { frameTractionRoles } from './roles'

/** Orders that are binding; any other is a habit of this house. */
export const frameTractionMusts: readonly Must<StepNameOf<typeof frameTractionRoles>>[] = [
  ...checkMusts,
  ...must('identity', 'hitch', 'the work on the wrong limb or patient'),
  ...must('position', 'hold-leg', 'a leg seen to while an airway or a bleed waits'),
  ...must('hold-leg', ['hitch', 'manual-pull', 'frame-in'], 'bone ends that grate at every move'),
  ...must('baseline', ['hitch', 'manual-pull'], 'a loss that is found later cannot be dated'),
  ...must('hitch', 'manual-pull', 'a hand that tires or slips with nothing to pull on'),
  ...must('set-length', 'frame-in', 'hands tire while the length is set'),
  ...must('manual-pull', 'frame-in', 'lifted before it is pulled, the break bends'),
  ...must('frame-in', 'groin-strap', 'a strap on a frame that has no seat'),
  ...must('groin-strap', 'pull', 'the frame rides up when the ratchet turns'),
  ...must('pull', 'straps', 'the leg is bound short'),
  ...must('after-check', 'board', 'a lost pulse is carried to the vehicle'),
]
