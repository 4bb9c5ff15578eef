import { suppliesOption } from '../../planner/shared-options'
import type { TechniqueOption } from '../../planner/technique'

/** Options of the extrication collar. The policy has no built-in answer: a local protocol chooses. */
export const extricationCollarOptions: readonly TechniqueOption[] = [
  {
    id: 'policy',
    label: 'Local policy',
    default: () => 'ask',
    values: [
      { id: 'ask', label: 'Not chosen yet', why: 'Planned as rigid, and marked as not ordered until the local protocol says.' },
      { id: 'rigid', label: 'Rigid collar', why: 'Services that keep a rigid collar for moving the patient out.' },
      {
        id: 'blocks-and-hands',
        label: 'Blocks and hands',
        why: 'Services that hold with hands, blocks and straps: no pressure on the neck veins.',
      },
      { id: 'soft', label: 'Soft collar', why: 'Services that use a soft one as a reminder not to move.' },
    ],
  },
  suppliesOption,
]
