import { breathless, fightsIt, holdLost, newNumbness, vomiting, wantsToStop } from '../shared/troubles'
import type { Trouble } from '../../model/trouble'

/** How a seated vest comes open. */
export const seatedVestRelease: readonly string[] = ['Top strap open; collar open while the head is held.']

/** What goes wrong with a seated vest. */
export const seatedVestTroubles: readonly Trouble[] = [
  breathless(seatedVestRelease),
  newNumbness(['Hold everything where it is; no further straps.']),
  {
    id: 'unstable',
    danger: 'own',
    label: 'The patient goes downhill',
    level: 'urgent',
    actions: ['Leave the vest: rapid extrication now, head and trunk as one piece.', 'One person keeps the head, whatever comes off.'],
  },
  {
    id: 'arrest',
    danger: 'arrest',
    label: 'Cardiac arrest in the vest',
    level: 'urgent',
    actions: [
      'Top strap, then middle strap open; one person keeps the head.',
      'Flat on a hard ground; compress at once.',
      'Leg straps when there are hands.',
    ],
  },
  vomiting,
  {
    id: 'vest-rides-up',
    label: 'The vest rides up',
    level: 'warn',
    actions: ['Middle strap open, lift the vest into the armpits, close.', 'Leg straps to the midline again, then every strap.'],
  },
  holdLost('The head', 'All four limbs before the next strap.'),
  fightsIt('Follow the head, stop the straps; what is closed stays unless it takes breath.'),
  wantsToStop,
]
