import { suppliesOption } from '../../planner/shared-options'
import type { TechniqueOption } from '../../planner/technique'

/** Options of the volar slab; the first value of each is the default. */
export const volarSlabOptions: readonly TechniqueOption[] = [
  {
    id: 'material',
    label: 'Material',
    default: () => 'plaster-extra-fast',
    values: [
      { id: 'plaster-extra-fast', label: 'Plaster, extra fast', why: 'Moulds closest to palm and wrist, sets before the hold tires.' },
      { id: 'padded-fibreglass', label: 'Pre-padded fibreglass', why: 'When the patient moves soon: plaster is weak for a day.' },
    ],
  },
  {
    id: 'extension',
    label: 'Wrist',
    default: () => 'ten',
    values: [
      { id: 'ten', label: '10° back', why: 'A resting wrist: the fingers close by themselves.' },
      { id: 'neutral', label: 'Straight', why: 'Teams who fear pressure in the tunnel of the median nerve.' },
      { id: 'twenty', label: '20° back', why: 'Teams who want grip strength kept in longer wear.' },
    ],
  },
  {
    id: 'liner',
    label: 'Liner',
    default: (clinicalCase) => (clinicalCase.options['supplies'] === 'scarce' ? 'none' : 'stockinette'),
    values: [
      { id: 'stockinette', label: 'Stockinette', why: 'Soft ends to fold back over the slab.' },
      { id: 'none', label: 'None', why: 'Nothing round a swelling hand, and none used where supplies are scarce.' },
    ],
  },
  suppliesOption,
]

/** Degrees of wrist extension by school. */
export const extensionDeg: Readonly<Record<string, number>> = { ten: 10, neutral: 0, twenty: 20 }
