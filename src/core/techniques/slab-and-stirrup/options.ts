import { ankleOptions } from '../families/slab/ankle'
import { holdOption } from '../families/slab/hold'
import { positionOption, suppliesOption } from '../../planner/shared-options'
import type { TechniqueOption } from '../../planner/technique'

/** Options of slab and stirrup; the first value of each is the default. */
export const slabAndStirrupOptions: readonly TechniqueOption[] = [
  {
    id: 'slab-width-rule',
    label: 'Slab width',
    default: () => 'narrow',
    values: [
      { id: 'narrow', label: 'Narrow', why: 'About half the ankle: it lies flat behind it, and the stirrup holds the sides.' },
      { id: 'widest', label: 'Widest', why: 'Teams who want the slab itself to reach round the sides.' },
    ],
  },
  {
    id: 'stirrup-top',
    label: 'Stirrup top',
    default: () => 'slab-top',
    values: [
      { id: 'slab-top', label: 'At the slab top', why: 'Teams who want the longest lever against tilt of the ankle.' },
      { id: 'calf-widest', label: 'Widest of the calf', why: 'Teams who keep the upper edge off the knee; enough for most sprains.' },
    ],
  },
  {
    id: 'liner',
    label: 'Liner',
    default: () => 'wool',
    values: [
      { id: 'wool', label: 'Wool', why: 'Nothing tight under the splint on a swelling limb.' },
      { id: 'stockinette-and-wool', label: 'Stockinette and wool', why: 'Neater ends over the raw edges of fibreglass.' },
    ],
  },
  ...ankleOptions,
  holdOption,
  suppliesOption,
  positionOption,
]
