import type { FlagRule } from './flag-rule'

/** A shell or bandage over the wrist. */
export const wrist: readonly FlagRule[] = [
  {
    flag: 'numb',
    level: 'caution',
    at: ['wraps', 'moulds'],
    text: 'Median tingling: loosen, straighten the wrist, look again within 15 minutes; more of it means call.',
    why: 'The median nerve is pressed in its tunnel by swelling and by a bent wrist.',
  },
]
