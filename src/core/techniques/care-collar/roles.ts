import type { StepIdOf, StepRoles } from '../../model/step-role'
import { heldOpeningRoles } from '../shared/opening-roles'

/** What each of its steps does, as rules see it. */
export const careCollarRoles = {
  ...heldOpeningRoles,
  'front-off': ['opens', 'takes-off'],
  'ready-liners': [],
  'look-front': [],
  'look-back': [],
  wash: [],
  liners: ['first-layer'],
  'front-on': ['lays-on', 'closes', 'rigid-on'],
  'ready-roll': [],
  roll: ['turns'],
  'back-off': ['takes-off'],
  'back-on': ['lays-on'],
  'back-strap': ['closes'],
  'roll-back': ['turns'],
  margin: [],
  settle: ['closes'],
  'after-check': ['check-after', 'hold-released'],
} as const satisfies StepRoles

/** The steps of its procedure, by id. */
export type CareCollarStep = StepIdOf<typeof careCollarRoles>
