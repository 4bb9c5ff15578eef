import { arrest, breathless, fightsIt, newNumbness, vomiting, wantsToStop } from '../shared/troubles'
import type { Trouble } from '../../model/trouble'

/** How a trunk shell comes off. */
export const trunkShellRelease: readonly string[] = ['Loosen every strap; lift the front shell off, the patient as they breathe best.']

/** What goes wrong with a trunk shell. */
export const trunkShellTroubles: readonly Trouble[] = [
  breathless(trunkShellRelease),
  newNumbness(['Flat, as one piece; then open nothing, turn nothing, move nothing.']),
  {
    id: 'in-throat',
    label: 'The edge is in the throat',
    level: 'review',
    item: 'swallowing',
    actions: [
      'Lie flat, open the straps, seat the groove at the waist again: to the loose height that the plan names.',
      'Straps from the lowest; read loose, tight, standing, sitting: the greatest step says what climbed.',
      'Still too high: lower or trim by the verdict.',
    ],
  },
  {
    id: 'belly-swollen',
    label: 'Belly swollen, or vomiting again and again',
    level: 'review',
    item: 'belly',
    actions: ['Loosen the straps; front off lying flat.', 'Nothing by mouth; call the senior.'],
  },
  {
    id: 'shell-slid',
    label: 'The back shell slid in the roll',
    level: 'warn',
    actions: ['Leave it, roll back to flat.', 'A second roll to the other side, pressed flat, groove at the waist.'],
  },
  vomiting,
  arrest(trunkShellRelease),
  fightsIt('Front off or straps loose, flat and in line; nobody is held down in it.'),
  wantsToStop,
]
