import { holdLost, lostPulse, newNumbness, painRising, shortOfMaterial, wantsToStop, wholePatient } from '../shared/troubles'
import { wetTroubles } from '../shared/wet-troubles'
import type { Trouble } from '../../model/trouble'

/** How slab and stirrup come open: along the open front. */
export const slabAndStirrupRelease: readonly string[] = [
  'Cut the bandage and padding along the open front, toes to top, down to skin.',
  'Lift the stirrup sides apart; the slab stays as a splint behind.',
]

/** What goes wrong with slab and stirrup. */
export const slabAndStirrupTroubles: readonly Trouble[] = [
  lostPulse(slabAndStirrupRelease),
  newNumbness(slabAndStirrupRelease),
  painRising(slabAndStirrupRelease),
  ...wetTroubles('The stirrup is on and straight: leave it. Not yet on: take both off and begin with fresh strips, wetted together.'),
  holdLost('The ankle', 'Still soft: flat palm under the outer middle of the foot, bring it back. Set: make it again.'),
  shortOfMaterial('One strip only: lay it as a back slab and say so; the sides are then not held.'),
  ...wholePatient('Still soft: take it off rather than let it set bent. Set: it stays, padded and watched.'),
  wantsToStop,
]
