import type { StepIdOf, StepRoles } from '../../model/step-role'
import { openingRoles } from '../shared/opening-roles'

/** What each of its steps does, as rules see it. */
export const ringTractionRoles = {
  ...openingRoles,
  build: [],
  'side-supports': [],
  'ring-set': [],
  strips: ['first-layer', 'wraps'],
  pull: ['pulls', 'hold-taken'],
  slide: ['lays-on'],
  'tie-off': ['rigid-on', 'hold-released'],
  'close-straps': ['closes'],
  prop: [],
} as const satisfies StepRoles

/** The steps of its procedure, by id. */
export type RingTractionStep = StepIdOf<typeof ringTractionRoles>
