import type { StepIdOf, StepRoles } from '../../model/step-role'
import { openingRoles } from '../shared/opening-roles'

/** What each of its steps does, as rules see it. */
export const poleTractionRoles = {
  ...openingRoles,
  'thigh-strap': ['first-layer', 'closes'],
  'join-pole': [],
  'pull-joints': [],
  hitch: ['lays-on'],
  'fit-pole': ['lays-on'],
  pull: ['pulls', 'rigid-on'],
  straps: ['closes'],
} as const satisfies StepRoles

/** The steps of its procedure, by id. */
export type PoleTractionStep = StepIdOf<typeof poleTractionRoles>
