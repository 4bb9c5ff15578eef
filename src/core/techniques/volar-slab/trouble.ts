import { lostPulse, newNumbness, painRising, shortOfMaterial, wantsToStop, wholePatient } from '../shared/troubles'
import { wetTroubles } from '../shared/wet-troubles'
import type { Trouble } from '../../model/trouble'

/** How a volar slab comes open: along the padded line on the slab. */
export const volarSlabRelease: readonly string[] = [
  'Cut bandage and padding along the padded line on the slab, hand to elbow, down to skin.',
  'Straighten a bent wrist while it is supported.',
]

/** What goes wrong with a volar slab. */
export const volarSlabTroubles: readonly Trouble[] = [
  lostPulse(volarSlabRelease),
  newNumbness(volarSlabRelease),
  painRising(volarSlabRelease),
  ...wetTroubles('Palm crease covered or wrist dropped: take it off and make it again.'),
  {
    id: 'ring-stuck',
    danger: 'own',
    label: 'A ring does not come off',
    level: 'urgent',
    actions: [
      'Raise the hand, cool it, soap and a thread wound from the tip.',
      'Not off in a minute: cut the ring, not the finger’s time.',
      'Only then pad.',
    ],
  },
  shortOfMaterial('Sling and hand raised until it is there; a bandage alone is no slab.'),
  ...wholePatient('Still soft: take it off rather than let it set bent. Set: it stays, in a sling.'),
  wantsToStop,
]
