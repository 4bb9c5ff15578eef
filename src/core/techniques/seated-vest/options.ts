import { policyOption } from '../families/collar/collar-policy'
import { suppliesOption } from '../../planner/shared-options'
import type { TechniqueOption } from '../../planner/technique'

/** Options of the seated vest; the first value of each is the default. */
export const seatedVestOptions: readonly TechniqueOption[] = [
  {
    id: 'way',
    label: 'Measured',
    default: () => 'full',
    values: [
      { id: 'full', label: 'In full', why: 'Neck, armpit to seat and the gap behind the head as well: the collar and the pad are sized.' },
      { id: 'roadside', label: 'By the chest alone', why: 'At the roadside: one girth, and everything else by eye.' },
    ],
  },
  policyOption,
  {
    id: 'leg-straps',
    label: 'Leg straps',
    default: () => 'crossed',
    values: [
      { id: 'crossed', label: 'Crossed', why: 'They keep the vest from riding up when the patient is lifted.' },
      { id: 'same-side', label: 'Same side', why: 'Nothing pulls across a groin or pelvis that may be hurt.' },
    ],
  },
  {
    id: 'put-on-by',
    label: 'Put on by',
    default: () => 'three',
    values: [
      { id: 'three', label: 'Three', why: 'One at the head, one in front, one at the side: nobody lets go of anything.' },
      { id: 'two', label: 'Two', why: 'Crews of two put it on by themselves; the lift waits for the third.' },
    ],
  },
  {
    id: 'head-hold',
    label: 'Head held until',
    default: () => 'until-board',
    values: [
      { id: 'until-board', label: 'On the board', why: 'Hands stay on through the whole move.' },
      { id: 'until-head-straps', label: 'Head straps closed', why: 'Crews of two, who need the second pair of hands for the lift.' },
    ],
  },
  suppliesOption,
]
