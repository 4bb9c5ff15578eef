import { forUse, count, marginCm, sizeOf, withRoles, type DecisionDefinition } from '../../model/decision-definition'
import { leastCrew } from '../shared/decisions'

/** Every decision that it can make, in the order in which they are shown. */
export const decisions: readonly DecisionDefinition[] = [
  withRoles(
    forUse(
      'cut',
      sizeOf('size', 'Boot size', (item) => item.technique === 'walker-boot'),
    ),
    'recorded',
    'taken',
  ),
  withRoles(marginCm('toe-margin', 'In front of the toes', { step: 0.2 }), 'found'),
  forUse('hold', marginCm('other-shoe-raise', 'Raise the other shoe by', { least: 0, greatest: 20, step: 0.2 })),
  forUse('cut', count('wedges', 'Heel wedges', { greatest: 10 })),
  leastCrew,
]
