import { usualPadding } from './pressure'
import { positionOption, suppliesOption } from '../../planner/shared-options'
import type { TechniqueOption } from '../../planner/technique'

/** Options of opening a cast; the first value of each is the default. */
export const castOpeningOptions: readonly TechniqueOption[] = [
  {
    id: 'lines',
    label: 'Lines',
    default: () => 'strip',
    values: [
      { id: 'strip', label: 'Strip', why: 'Two lines and the strip between them lifted out: most room while the rest still holds.' },
      { id: 'single', label: 'Single', why: 'One line, spread: quick, and the cast stays strong; little room.' },
      { id: 'two-halves', label: 'Two halves', why: 'When it must come off in a moment and go on again as two shells.' },
    ],
  },
  {
    id: 'padding',
    label: 'Padding',
    default: usualPadding,
    values: [
      { id: 'keep', label: 'Keep', why: 'Skin stays covered; it gives up about four tenths of the room.' },
      { id: 'cut', label: 'Cut to skin', why: 'All of the opening counts, and nothing tight is left underneath.' },
    ],
  },
  suppliesOption,
  positionOption,
]
