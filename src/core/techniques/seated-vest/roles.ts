import type { StepIdOf, StepRoles } from '../../model/step-role'
import { heldOpeningRoles } from '../shared/opening-roles'

/** What each of its steps does, as rules see it. */
export const seatedVestRoles = {
  ...heldOpeningRoles,
  upright: ['transfers'],
  'size-collar': ['lays-on', 'closes', 'rigid-on'],
  'arms-up': [],
  'vest-in': ['first-layer', 'lays-on'],
  'strap-middle': ['closes'],
  'strap-bottom': ['closes'],
  'strap-legs': ['closes'],
  'head-pad': [],
  'head-straps': ['closes', 'hold-released'],
  'strap-top': ['closes'],
  straps: ['closes'],
  board: ['turns', 'transfers', 'lowers', 'hold-released'],
} as const satisfies StepRoles

/** The steps of its procedure, by id. */
export type SeatedVestStep = StepIdOf<typeof seatedVestRoles>
