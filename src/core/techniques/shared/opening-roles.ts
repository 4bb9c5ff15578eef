import type { StepRoles } from '../../model/step-role'

/** The steps that begin and end every application. */
export const openingRoles: StepRoles = {
  protect: [],
  identity: [],
  explain: [],
  position: [],
  'lay-out': [],
  baseline: ['baseline', 'first-touch'],
  'after-check': ['check-after'],
  'say-change': [],
}

/** The same where the head or the spine is held before anything else. */
export const heldOpeningRoles: StepRoles = {
  ...openingRoles,
  'hold-head': ['first-touch', 'hold-taken'],
  baseline: ['baseline'],
}
