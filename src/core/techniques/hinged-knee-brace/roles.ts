import type { StepIdOf, StepRoles } from '../../model/step-role'
import { openingRoles } from '../shared/opening-roles'

/** What each of its steps does, as rules see it. */
export const hingedKneeBraceRoles = {
  ...openingRoles,
  open: [],
  hinges: ['first-layer', 'lays-on'],
  bars: [],
  buckles: [],
  'rear-straps': ['closes'],
  'front-straps': ['closes', 'rigid-on'],
  trim: [],
  stops: [],
  'lift-toes': [],
  walk: ['transfers'],
} as const satisfies StepRoles

/** The steps of its procedure, by id. */
export type HingedKneeBraceStep = StepIdOf<typeof hingedKneeBraceRoles>
