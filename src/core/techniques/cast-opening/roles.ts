import type { StepIdOf, StepRoles } from '../../model/step-role'
import { openingRoles } from '../shared/opening-roles'

/** What each of its steps does, as rules see it. */
export const castOpeningRoles = {
  ...openingRoles,
  'confirm-now': [],
  'cut-now': ['opens'],
  spread: ['opens', 'takes-off'],
  'ease-bend': ['eases'],
  tell: [],
  'draw-lines': [],
  cut: ['opens'],
  lift: ['opens', 'takes-off'],
  'cut-padding': ['opens'],
  look: [],
  crepe: ['wraps'],
} as const satisfies StepRoles

/** The steps of its procedure, by id. */
export type CastOpeningStep = StepIdOf<typeof castOpeningRoles>
