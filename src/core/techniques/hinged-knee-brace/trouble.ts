import { lostPulse, newNumbness, painRising, wantsToStop, wholePatient } from '../shared/troubles'
import type { Trouble } from '../../model/trouble'

/** How a knee brace comes open. */
export const kneeBraceRelease: readonly string[] = ['Open every strap; leave the frame under the leg.']

/** What goes wrong with a knee brace. */
export const kneeBraceTroubles: readonly Trouble[] = [
  lostPulse(kneeBraceRelease),
  newNumbness([...kneeBraceRelease, 'Look at the strap over the fibular neck first.']),
  painRising(kneeBraceRelease),
  {
    id: 'slipped',
    label: 'The brace slips down',
    level: 'warn',
    actions: ['Open it, hinges back over the condyles, rear straps first.', 'Liner dry, calf strap firmer; look again after ten steps.'],
  },
  {
    id: 'stops-differ',
    label: 'A stop does not hold, or the sides differ',
    level: 'warn',
    actions: ['Lock it straight. No bending until both stops click at the ordered figure.', 'Take another brace if it does not.'],
  },
  ...wholePatient('Lock it straight or take it off; a half closed brace cuts.'),
  wantsToStop,
]
