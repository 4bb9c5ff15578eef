import type { StepNameOf } from '../../model/step-role'
import { must, type Must } from '../../model/order-rule'
import { limbMusts, wetMusts } from '../shared/musts'
import type { volarSlabRoles } from './roles'

/** Orders that are binding; any other is a habit of this house. */
export const volarSlabMusts: readonly Must<StepNameOf<typeof volarSlabRoles>>[] = [
  ...limbMusts,
  ...wetMusts,
  ...must('position', 'padding', 'a finger strangled by a ring that was left on'),
  ...must('cut-slab', 'wet', 'stiff knuckles or elbow: palm crease and elbow were never tried dry'),
  ...must('wet', 'lay', 'it is dry and does not bond'),
  ...must('fold', 'bandage', 'it cannot be cut open quickly: the release padding lies outside'),
  ...must('finish', 'sling', 'a finger that does not move is found at the review'),
  ...must('after-check', 'sling', 'a tight wrap is found late, under a sling'),
]
