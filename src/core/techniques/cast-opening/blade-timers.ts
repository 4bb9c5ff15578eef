import type { Step } from '../../model/step'

/** The saw's own clocks: when to feel the blade, and how long it cools. */
export const bladeTimers: NonNullable<Step['moreTimers']> = [
  { id: 'feel-blade', label: 'Feel the blade', minutes: 1, kind: 'limit', starts: 'shown', until: 'cut' },
  { id: 'blade', label: 'Let the blade cool', minutes: 2, kind: 'cooling', starts: 'asked', until: 'cut' },
]
