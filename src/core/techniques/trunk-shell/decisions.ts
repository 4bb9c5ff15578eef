import { forUse, choice, marginCm, sizeOf, withRoles, words, type DecisionDefinition } from '../../model/decision-definition'
import { leastCrew, peopleToTurn, turn } from '../shared/decisions'

/** Most straps that a shell of the catalogue has. */
export const mostStraps = 6

/** Every decision that it can make, in the order in which they are shown. */
export const decisions: readonly DecisionDefinition[] = [
  withRoles(
    forUse(
      'cut',
      sizeOf('size', 'Shell size', (item) => item.technique === 'trunk-shell'),
    ),
    'recorded',
    'taken',
  ),
  withRoles(marginCm('overlap', 'Overlap of the shells'), 'found'),
  withRoles(marginCm('strap-balance', 'Left and right straps differ by', { least: 0, step: 0.2 }), 'found'),
  withRoles(marginCm('top-clearance', 'Edge below the notch', { step: 0.2 }), 'found'),
  withRoles(marginCm('tighten-rise', 'Rises when tightened', { step: 0.2 }), 'found'),
  withRoles(words('climb', 'What climbs'), 'found'),
  withRoles(marginCm('loose-aim', 'Loose edge to aim for, below the notch', { step: 0.2 }), 'found'),
  withRoles(marginCm('sit-rise', 'Rises when sitting', { step: 0.2 }), 'found'),
  withRoles(choice('verdict', 'Seat of the shell', ['keep', 'lower', 're-seat']), 'found'),
  withRoles(marginCm('lower-by', 'Lower or trim by', { least: 0 }), 'found'),
  ...Array.from({ length: mostStraps }, (_, index) =>
    forUse(
      'wrap',
      marginCm(`strap-slack-${index + 1}`, `Slack of strap ${index + 1} from the top, two fingers`, { least: 0, greatest: 10, step: 0.2 }),
    ),
  ),
  peopleToTurn,
  turn,
  leastCrew,
]
