import type { StepNameOf } from '../../model/step-role'
import { must, type Must } from '../../model/order-rule'
import { checkMusts } from '../shared/musts'
import type { trunkShellRoles } from './roles'

/** Orders that are binding; any other is a habit of this house. */
export const trunkShellMusts: readonly Must<StepNameOf<typeof trunkShellRoles>>[] = [
  ...checkMusts,
  ...must('hold-head', ['roll', 'back-on', 'front-on', 'baseline'], 'a neck that moves with every turn'),
  ...must('baseline', ['roll', 'back-on', 'front-on', 'straps'], 'a loss that is found later cannot be dated'),
  ...must('tell-apart', 'back-on', 'the wrong half, or the wrong way up'),
  ...must('back-on', 'front-on', 'an edge under the other that digs into the side'),
  ...must('front-on', ['edge-loose', 'straps'], 'nothing to close'),
  ...must('edge-loose', 'straps', 'an edge that climbs, and nobody knows by how much'),
  ...must(['straps', 'edge-height'], ['sit', 'stand'], 'up in a shell that rides into the throat'),
]
