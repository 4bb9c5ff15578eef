import type { StepRoles } from '../../model/step-role'
import { openingRoles } from '../shared/opening-roles'

/** What each of its steps does, as rules see it. */
export const walkerBootRoles: StepRoles = {
  ...openingRoles,
  wedges: [],
  'heel-home': ['first-layer', 'lays-on'],
  liner: ['closes'],
  straps: ['closes', 'rigid-on'],
  stand: ['transfers'],
  toes: [],
  'fix-tabs': [],
}
