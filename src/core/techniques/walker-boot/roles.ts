import type { StepIdOf, StepRoles } from '../../model/step-role'
import { openingRoles } from '../shared/opening-roles'

/** What each of its steps does, as rules see it. */
export const walkerBootRoles = {
  ...openingRoles,
  wedges: [],
  'heel-home': ['first-layer', 'lays-on'],
  liner: ['closes'],
  straps: ['closes', 'rigid-on'],
  stand: ['transfers'],
  toes: [],
  'fix-tabs': [],
} as const satisfies StepRoles

/** The steps of its procedure, by id. */
export type WalkerBootStep = StepIdOf<typeof walkerBootRoles>
