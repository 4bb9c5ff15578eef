import type { StepIdOf, StepRoles } from '../../model/step-role'
import { heldOpeningRoles } from '../shared/opening-roles'

/** What each of its steps does, as rules see it. */
export const extricationCollarRoles = {
  ...heldOpeningRoles,
  'neck-seen': [],
  'free-locks': [],
  'size-collar': [],
  'lock-equal': [],
  'close-collar': ['first-layer', 'lays-on', 'closes', 'rigid-on'],
  'chest-rest': [],
  'oxygen-flow': [],
  oxygen: [],
  blocks: ['first-layer', 'lays-on'],
  straps: ['closes'],
  'hands-off': [],
  'after-check': ['check-after', 'hold-released'],
  'tell-driver': [],
} as const satisfies StepRoles

/** The steps of its procedure, by id. */
export type ExtricationCollarStep = StepIdOf<typeof extricationCollarRoles>
