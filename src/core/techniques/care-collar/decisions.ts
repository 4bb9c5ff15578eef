import { choice, hours, marginCm, withRoles, type DecisionDefinition } from '../../model/decision-definition'
import { peopleToTurn, turn } from '../shared/decisions'

/** Every decision that it can make, in the order in which they are shown. */
export const decisions: readonly DecisionDefinition[] = [
  hours('next-care', 'Next care', { least: 1 }),
  withRoles(marginCm('strap-balance', 'Straps, left against right', { step: 0.2 }), 'found'),
  withRoles(marginCm('liner-margin', 'Liner past the shell, at its least', { step: 0.2 }), 'found'),
  withRoles(choice('skin-trend', 'Skin under the collar', ['worse', 'unchanged', 'better', 'first-look']), 'found'),
  peopleToTurn,
  turn,
]
