import { lostPulse, newNumbness, painRising, shortOfMaterial, wantsToStop, wholePatient } from '../shared/troubles'
import { wetTroubles } from '../shared/wet-troubles'
import type { Trouble } from '../../model/trouble'

/** How a cast comes open: its full length, down to skin. */
export const legCastRelease: readonly string[] = [
  'Split the cast its full length, padding included, down to skin; hard or soft does not matter.',
  'Spread it and ease the bend of the knee, thigh and calf supported.',
]

/** What goes wrong with a cast. */
export const legCastTroubles: readonly Trouble[] = [
  lostPulse(legCastRelease),
  newNumbness(legCastRelease),
  painRising(legCastRelease),
  ...wetTroubles('The layers have not bonded: cut it off and begin again rather than roll over a set layer.'),
  {
    id: 'knee-sagged',
    label: 'The knee sagged',
    level: 'warn',
    actions: [
      'Still soft: the knee holder lifts it back to its angle from the far side, flat hand; mould again.',
      'Set, with a crease or crack: it will break there. Reinforce with crossing turns while it is held at its angle, or make it again.',
      'Measure the knee angle and record it.',
    ],
  },
  shortOfMaterial('Finish the part that is rolled, smooth its end, and hold it: the next roll goes on before this one sets.'),
  ...wholePatient('Still soft: stop rolling, support knee and foot as they are; a bent cast comes off. Set: split it early.'),
  wantsToStop,
]
