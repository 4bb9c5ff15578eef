import type { StepIdOf, StepRoles } from '../../model/step-role'
import { openingRoles } from '../shared/opening-roles'

/** What each of its steps does, as rules see it. */
export const frameTractionRoles = {
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
} as const satisfies StepRoles

/** The steps of its procedure, by id. */
export type FrameTractionStep = StepIdOf<typeof frameTractionRoles>
