import type { StepIdOf, StepRoles } from '../../model/step-role'
import { heldOpeningRoles } from '../shared/opening-roles'

/** What each of its steps does, as rules see it. */
export const trunkShellRoles = {
  ...heldOpeningRoles,
  baseline: ['baseline', 'first-touch'],
  'tell-apart': ['first-layer'],
  roll: ['turns'],
  'back-on': ['lays-on', 'turns'],
  'front-on': ['lays-on', 'hold-released'],
  'edge-loose': [],
  straps: ['closes', 'rigid-on'],
  'edge-height': [],
  sit: ['transfers'],
  stand: ['transfers'],
} as const satisfies StepRoles

/** The steps of its procedure, by id. */
export type TrunkShellStep = StepIdOf<typeof trunkShellRoles>
