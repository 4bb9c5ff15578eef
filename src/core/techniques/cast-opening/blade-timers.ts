import type { StepTimer } from '../../model/step'

/** The saw's own clocks: when to feel the blade, and how long it cools; moot once the step that saws is done. */
export const bladeTimers = <Id extends string>(until: Id): readonly StepTimer<Id>[] => [
  { id: 'feel-blade', label: 'Feel the blade', minutes: 1, kind: 'limit', starts: 'shown', until },
  { id: 'blade', label: 'Let the blade cool', minutes: 2, kind: 'cooling', starts: 'asked', until },
]
