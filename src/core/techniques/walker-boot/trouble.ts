import { lostPulse, newNumbness, painRising, wantsToStop, wholePatient } from '../shared/troubles'
import type { Trouble } from '../../model/trouble'

/** How a boot comes off. */
export const walkerBootRelease: readonly string[] = ['Open every strap and the liner, foot out of the boot.']

/** What goes wrong with a walker boot. */
export const walkerBootTroubles: readonly Trouble[] = [
  lostPulse(walkerBootRelease),
  newNumbness(walkerBootRelease),
  painRising(walkerBootRelease),
  {
    id: 'nearly-fell',
    label: 'Nearly fell, or fell',
    level: 'review',
    actions: [
      'Sit the patient down; look at the other limbs and the head too.',
      'Foot out of the boot, look at the injury again.',
      'No more steps until raise, aids and order are checked.',
    ],
  },
  {
    id: 'toes-over',
    label: 'Toes reach the edge',
    level: 'warn',
    actions: ['Open, heel home, straps from the toes.', 'Still at the edge: the next larger boot.'],
  },
  ...wholePatient('Foot out of the boot; nobody stands up in it.'),
  wantsToStop,
]
