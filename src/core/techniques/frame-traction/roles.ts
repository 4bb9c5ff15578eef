import type { StepRoles } from '../../model/step-role'
import { openingRoles } from '../shared/opening-roles'

/** What each of its steps does, as rules see it. */
export const frameTractionRoles: StepRoles = {
  ...openingRoles,
  'hold-leg': ['first-touch', 'hold-taken'],
  'set-length': [],
  hitch: ['first-layer', 'lays-on'],
  'manual-pull': ['pulls', 'hold-taken', 'hold-released'],
  'frame-in': ['lays-on'],
  'groin-strap': ['closes'],
  pull: ['pulls', 'hold-released'],
  straps: ['closes', 'rigid-on'],
  board: ['transfers', 'lowers'],
}
