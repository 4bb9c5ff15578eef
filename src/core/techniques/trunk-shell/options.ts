import { spineBelowOption } from '../shared/roll'
import { suppliesOption } from '../../planner/shared-options'
import type { TechniqueOption } from '../../planner/technique'

/** Options of the two-shell trunk orthosis; the first value of each is the default. */
export const trunkShellOptions: readonly TechniqueOption[] = [
  {
    id: 'way',
    label: 'Put on',
    default: () => 'lying',
    values: [
      { id: 'lying', label: 'Lying', why: 'Always allowed: rolled as one piece, or scooped.' },
      {
        id: 'standing-doorway',
        label: 'Standing in a doorway',
        why: 'Elbow room on both sides and something to lean on, once standing is ordered.',
      },
      { id: 'sitting-edge', label: 'Sitting on the edge', why: 'Patients who can sit but not stand, once sitting is ordered.' },
    ],
  },
  spineBelowOption,
  {
    id: 'tightness',
    label: 'Tightness',
    default: () => 'two-finger',
    values: [
      { id: 'two-finger', label: 'Two fingers', why: 'Room to breathe and eat; the same for every shift.' },
      { id: 'firm-to-tolerance', label: 'Firm, as borne', why: 'Teams who want no gap at all while standing, loosened for meals.' },
    ],
  },
  {
    id: 'strap-order',
    label: 'Strap order',
    default: () => 'any',
    values: [
      { id: 'any', label: 'Any', why: 'Lying, the shell does not slide while it is closed.' },
      { id: 'lowest-first', label: 'Lowest first', why: 'Upright, the hip straps keep it from riding up.' },
    ],
  },
  suppliesOption,
]
