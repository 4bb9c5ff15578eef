import type { StepIdOf, StepRoles } from '../../model/step-role'

/** The steps that begin and end every application. */
export const openingRoles = {
  protect: ['protects'],
  identity: ['identity'],
  explain: [],
  position: ['settles'],
  'lay-out': ['lays-out'],
  baseline: ['baseline', 'first-touch'],
  'after-check': ['check-after'],
  'say-change': [],
} as const satisfies StepRoles

/** The same where the head or the spine is held before anything else. */
export const heldOpeningRoles = {
  ...openingRoles,
  'hold-head': ['first-touch', 'hold-taken'],
  baseline: ['baseline'],
} as const satisfies StepRoles

/** The steps that begin and end every application, by id. */
export type OpeningStep = StepIdOf<typeof openingRoles>
