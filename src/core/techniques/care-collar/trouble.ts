import { arrest, breathless, fightsIt, holdLost, newNumbness, vomiting, wantsToStop } from '../shared/troubles'
import type { Trouble } from '../../model/trouble'

/** How a care collar comes open. */
export const careCollarRelease: readonly string[] = ['Hold the head with both hands, then open the front.']

/** What goes wrong during a collar change. */
export const careCollarTroubles: readonly Trouble[] = [
  breathless(careCollarRelease),
  newNumbness(['Head held in line; roll back to flat as one piece.']),
  vomiting,
  {
    id: 'skin-broken',
    danger: 'skin',
    label: 'Skin red that does not blanch, or broken',
    level: 'urgent',
    item: 'skin',
    actions: [
      'Relieve the place: another liner, another fold, no shell on it.',
      'Refit, look again in an hour; tell the senior and the wound nurse.',
      'Photograph with consent.',
    ],
  },
  holdLost('The head', 'Stop the change, close what is open, all four limbs again.'),
  arrest(careCollarRelease),
  fightsIt('Close what is open with the head followed, not forced.'),
  wantsToStop,
]
