import { holdLost, lostPulse, newNumbness, painRising, shortOfMaterial, wantsToStop, wholePatient } from '../shared/troubles'
import { wetTroubles } from '../shared/wet-troubles'
import type { Trouble } from '../../model/trouble'

/** How a back slab comes open: along its open front. */
export const legSlabRelease: readonly string[] = [
  'Cut the bandage and padding along the open front, toes to top, down to skin.',
  'Lift the front edges apart; the slab stays as a splint behind.',
]

/** What goes wrong with a back slab. */
export const legSlabTroubles: readonly Trouble[] = [
  lostPulse(legSlabRelease),
  newNumbness(legSlabRelease),
  painRising(legSlabRelease),
  ...wetTroubles('Wrong angle or a dent: take it off and make it again, it cannot be bent back.'),
  holdLost('The ankle', 'Still soft: bring it to its angle again with a flat palm. Set: make it again.'),
  shortOfMaterial('Keep the limb on its padding; a slab that is laid stays and sets, bandage can follow.'),
  ...wholePatient('Still soft: take it off rather than let it set bent. Set: it stays, padded and watched.'),
  wantsToStop,
]
