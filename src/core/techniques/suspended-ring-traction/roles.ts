import type { StepRoles } from '../../model/step-role'
import { openingRoles } from '../shared/opening-roles'

/** What each of its steps does, as rules see it. */
export const suspendedRingTractionRoles: StepRoles = {
  ...openingRoles,
  strips: ['first-layer', 'wraps'],
  bandage: ['wraps'],
  'ring-set': ['lays-on'],
  gutter: ['lays-on'],
  slings: ['lays-on'],
  'carried-pulley': [],
  pull: ['pulls'],
  suspension: [],
  'tie-off': ['rigid-on'],
  weights: ['pulls'],
  'ring-finger': [],
}
