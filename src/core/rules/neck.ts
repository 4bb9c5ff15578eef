import type { FlagRule } from './flag-rule'

/** A collar closed round the neck, whatever the local policy. */
export const closedCollar: readonly FlagRule[] = [
  {
    flag: 'head-injury',
    level: 'caution',
    decisions: ['slack'],
    steps: ['close-collar'],
    text: 'Look at tightness and neck veins again after closing; open it if they fill.',
    why: 'A tight collar holds blood in the head and raises the pressure there.',
  },
  {
    flag: 'agitated',
    level: 'caution',
    steps: ['hold-head', 'close-collar'],
    text: 'Do not fight it: hands as far as they are accepted, find the cause.',
    why: 'Struggling against a collar moves the neck more than no collar does.',
  },
]
