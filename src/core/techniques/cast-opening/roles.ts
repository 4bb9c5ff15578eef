import type { StepRoles } from '../../model/step-role'
import { openingRoles } from '../shared/opening-roles'

/** What each of its steps does, as rules see it. */
export const castOpeningRoles: StepRoles = {
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
}
