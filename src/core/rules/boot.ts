import type { FlagRule } from './flag-rule'

/** A boot that a foot walks in. */
export const walkingBoot: readonly FlagRule[] = [
  {
    flag: 'neuropathy',
    level: 'caution',
    steps: ['fix-tabs', 'after-check'],
    text: 'Skin looked at twice a day by somebody else; a custom liner where there is one.',
    why: 'A friction point is not felt until it is a sore.',
  },
  {
    flag: 'arterial-disease',
    level: 'caution',
    steps: ['straps', 'after-check'],
    text: 'Straps loose, skin twice a day, foot team told.',
    why: 'A small sore does not heal in a foot with poor blood flow.',
  },
]
