import type { StepNameOf } from '../../model/step-role'
import { must, type Must } from '../../model/order-rule'
import { limbMusts } from '../shared/musts'
import type { castOpeningRoles } from './roles'

/** Orders that are binding; any other is a habit of this house. */
export const castOpeningMusts: readonly Must<StepNameOf<typeof castOpeningRoles>>[] = [
  ...limbMusts,
  ...must('identity', 'draw-lines', 'the work on the wrong limb or patient'),
  ...must('tell', 'cut', 'a patient who pulls away from a running saw'),
  ...must('draw-lines', 'cut', 'a cut over a bone point or a wound'),
  ...must('cut', ['lift', 'cut-padding'], 'it is not open yet'),
  ...must('lift', 'look', 'skin that nobody saw'),
  ...must('look', 'crepe', 'a sore or a cut wrapped over unseen'),
]
