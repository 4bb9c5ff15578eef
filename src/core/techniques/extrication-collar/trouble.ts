import { arrest, breathless, fightsIt, holdLost, newNumbness, vomiting, wantsToStop } from '../shared/troubles'
import type { Trouble } from '../../model/trouble'

/** How a collar comes open: with the head held. */
export const extricationCollarRelease: readonly string[] = ['Hold the head with both hands, then open the collar.']

/** What goes wrong with an extrication collar. */
export const extricationCollarTroubles: readonly Trouble[] = [
  breathless(extricationCollarRelease),
  newNumbness(['Hold the head where it is now; back to how it was found if it was moved.']),
  vomiting,
  {
    id: 'pain-on-moving',
    label: 'Pain or resistance on moving to the middle',
    level: 'review',
    actions: ['Stop. Hold the head as found.', 'Blocks and rolled towels around it as it lies; no collar.', 'Record it and call.'],
  },
  {
    id: 'veins-full',
    label: 'Neck veins full, or headache',
    level: 'urgent',
    item: 'veins',
    actions: ['Head held: let the strap out until a flat finger passes.', 'Still full: open the collar, blocks instead, tell the senior.'],
  },
  holdLost('The head', 'All four limbs again before anything else.'),
  arrest(extricationCollarRelease),
  fightsIt('Hands as far as they are accepted; take the collar off rather than let it be fought.'),
  wantsToStop,
]
