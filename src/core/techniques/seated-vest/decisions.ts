import { forUse, choice, marginCm, sizeOf, words, withRoles, type DecisionDefinition } from '../../model/decision-definition'
import { collarSetting, leastCrew, lifters } from '../shared/decisions'

/** Every decision that it can make, in the order in which they are shown. */
export const decisions: readonly DecisionDefinition[] = [
  collarSetting,
  withRoles(
    forUse(
      'cut',
      sizeOf('fits', 'Vest', (item) => item.technique === 'seated-vest'),
    ),
    'taken',
  ),
  forUse('wrap', marginCm('head-pad', 'Pad behind the head', { least: 0, greatest: 20 })),
  forUse('wrap', words('strap-order', 'Straps in this order')),
  forUse('wrap', choice('leg-straps', 'Leg straps', ['crossed', 'same-side'])),
  leastCrew,
  lifters,
]
