import type { ClinicalCase } from '../../model/clinical-case'
import { positionOption, suppliesOption } from '../../planner/shared-options'
import { ankleOptions } from '../families/slab/ankle'
import { holdOption } from '../families/slab/hold'
import type { OptionValues, TechniqueOption } from '../../planner/technique'

export type Extent = 'below-knee' | 'above-knee'

/** Options of the back slab; the first value of each is the default. */
export const legSlabOptions: readonly TechniqueOption[] = [
  {
    id: 'extent',
    label: 'Extent',
    default: () => 'by-pattern',
    values: [
      { id: 'by-pattern', label: 'By injury', why: 'Above the knee for tibial shaft and plateau, below it for the rest.' },
      { id: 'below-knee', label: 'Below knee', why: 'Foot and ankle injuries: the knee stays free to move.' },
      { id: 'above-knee', label: 'Above knee', why: 'The joint above a shaft fracture has to be still as well.' },
    ],
  },
  {
    id: 'front-gap',
    label: 'Open front',
    default: () => 'by-swelling',
    values: [
      { id: 'by-swelling', label: 'By swelling', why: 'A fresh, swollen limb keeps a quarter open: the release line.' },
      { id: 'least', label: 'Least', why: 'Wider side walls where swelling is past and side control matters more.' },
    ],
  },
  {
    id: 'ankle-edge',
    label: 'Edge at the ankle',
    default: () => 'tuck',
    values: [
      { id: 'tuck', label: 'Nicked and folded', why: 'The calf sets the width: up to 3 cm a side are folded away at the narrow ankle.' },
      { id: 'straight', label: 'Straight', why: 'Teams who want no fold near the malleoli: the ankle sets the width.' },
    ],
  },
  {
    id: 'control',
    label: 'Control',
    default: () => 'usual',
    values: [
      { id: 'usual', label: 'Usual', why: 'As many layers as weight and wear ask for.' },
      { id: 'more', label: 'One layer more', why: 'Restless patients and a long way: a slab that gives holds nothing.' },
    ],
  },
  {
    id: 'length',
    label: 'Toe end',
    default: () => 'toe-crease',
    values: [
      {
        id: 'toe-crease',
        label: 'At the toe crease',
        why: 'Teams who want the toes free to move; the corner is folded back for the little toe.',
      },
      { id: 'past-toes', label: 'Past the toes', why: 'Teams who want a guard: 5 cm more, doubled back to end just past the tips.' },
    ],
  },
  {
    id: 'top-end',
    label: 'Top end',
    default: () => 'stop-short',
    values: [
      { id: 'stop-short', label: 'Stop short', why: 'Cut 3 cm short, so that no edge can reach the knee crease.' },
      { id: 'turn-back', label: 'Turn back', why: 'Cut 2 cm long and rolled back into a soft edge.' },
    ],
  },
  {
    id: 'liner',
    label: 'Liner',
    default: () => 'wool',
    values: [
      { id: 'wool', label: 'Wool', why: 'Nothing tight under the slab on a swelling limb.' },
      { id: 'stockinette-and-wool', label: 'Stockinette and wool', why: 'Neater ends to turn back, kinder to skin under longer wear.' },
    ],
  },
  ...ankleOptions,
  {
    id: 'material',
    label: 'Material',
    default: () => 'plaster-fast',
    values: [
      { id: 'plaster-fast', label: 'Plaster, fast', why: 'Moulds closest; sets before a tired hold sags.' },
      { id: 'plaster-slow', label: 'Plaster, slow', why: 'More time when hands are few or the slab is long.' },
      { id: 'padded-fibreglass', label: 'Pre-padded fibreglass', why: 'Light and strong within half an hour; moulds less closely.' },
    ],
  },
  {
    id: 'slab-from',
    label: 'Slab from',
    default: () => 'ready-slab',
    values: [
      { id: 'ready-slab', label: 'Ready slab', why: 'Layers already counted: only length and width to cut.' },
      { id: 'roll', label: 'Roll', why: 'Folded to and fro from rolls where ready slabs have run out.' },
    ],
  },
  {
    id: 'pieces',
    label: 'Slabs',
    default: () => 'one',
    values: [
      { id: 'one', label: 'One', why: 'Nothing shifts on anything else while it is laid.' },
      { id: 'two-lapped', label: 'Two, lapped', why: 'Where no slab is wide enough to hold the sides: two, laid in turn left and right.' },
    ],
  },
  {
    id: 'lay-from',
    label: 'Lay from',
    default: () => 'foot',
    values: [
      { id: 'foot', label: 'Foot', why: 'The toe end has to be right; the top can be trimmed.' },
      { id: 'knee', label: 'Knee', why: 'The edge at the knee has to be right; the toe end is folded.' },
    ],
  },
  holdOption,
  suppliesOption,
  positionOption,
]

/** Below or above the knee, worked out from the pattern where the option leaves it open. */
export function extentOf(clinicalCase: ClinicalCase, options: OptionValues): Extent {
  const chosen = options['extent']
  if (chosen === 'below-knee' || chosen === 'above-knee') return chosen
  return isTibial(clinicalCase) ? 'above-knee' : 'below-knee'
}

/** Whether the injury is one whose joint above has to be held too. */
export function isTibial(clinicalCase: ClinicalCase): boolean {
  const { pattern } = clinicalCase.injury
  return pattern === 'tibial-shaft-fracture' || pattern === 'tibial-plateau-fracture'
}
