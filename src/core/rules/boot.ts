import type { FlagRule } from './flag-rule'

/** A boot that a foot walks in. */
export const walkingBoot: readonly FlagRule[] = [
  {
    flag: 'neuropathy',
    level: 'caution',
    at: ['check-after'],
    steps: ['fix-tabs'],
    text: 'Skin looked at twice a day by somebody else; a custom liner where there is one.',
    why: 'A friction point is not felt until it is a sore.',
  },
  {
    flag: 'diabetes',
    unless: 'feeling-tested',
    level: 'caution',
    at: ['first-layer', 'check-after'],
    text: 'Test the feeling of the foot first; until then look at heel and toes as if nothing were felt.',
    why: 'Diabetes takes feeling unnoticed, and a sore heel heals badly.',
  },
  {
    flag: 'arterial-disease',
    level: 'caution',
    at: ['closes', 'check-after'],
    text: 'Straps loose, skin twice a day, foot team told.',
    why: 'A small sore does not heal in a foot with poor blood flow.',
  },
]
