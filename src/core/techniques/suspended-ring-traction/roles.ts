import type { StepIdOf, StepRoles } from '../../model/step-role'
import { openingRoles } from '../shared/opening-roles'

/** What each of its steps does, as rules see it. */
export const suspendedRingTractionRoles = {
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
} as const satisfies StepRoles

/** The steps of its procedure, by id. */
export type SuspendedRingTractionStep = StepIdOf<typeof suspendedRingTractionRoles>
