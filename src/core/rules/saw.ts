import type { FlagRule } from './flag-rule'

/** A saw or shears on a cast that is on. */
export const saw: readonly FlagRule[] = [
  {
    flag: 'anticoagulated',
    level: 'caution',
    at: ['opens'],
    text: 'Press lighter and look at the skin along the whole line.',
    why: 'A small nick bleeds long and swells the limb again.',
  },
  {
    flag: 'agitated',
    level: 'caution',
    at: ['opens'],
    steps: ['tell'],
    text: 'Calm first, a second person at the limb, or shears instead of the saw.',
    why: 'A limb that jerks meets the blade.',
  },
]
