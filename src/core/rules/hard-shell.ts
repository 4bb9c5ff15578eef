import type { FlagRule } from './flag-rule'

/** Stops that hold before any slab, cast, boot or brace goes on a limb. */
export const hardShellStops: readonly FlagRule[] = [
  {
    flag: 'pulse-absent',
    level: 'stop',
    isFloor: true,
    at: ['first-layer'],
    text: 'Call the senior first: nothing goes on before the pulse has been dealt with.',
    why: 'A limb without a pulse needs its blood back within hours; a shell hides it.',
  },
  {
    flag: 'skin-tented',
    level: 'stop',
    at: ['first-layer'],
    text: 'Reduce now: call.',
    why: 'Skin stretched over bone dies within hours, whatever is put round it.',
  },
]

/** Patients who cannot feel or say that it presses. */
export const unfeltPressure: readonly FlagRule[] = [
  {
    flag: 'neuropathy',
    level: 'caution',
    decisions: ['padding'],
    at: ['first-layer'],
    text: 'Pad more over every bony point and look again early.',
    why: 'Pressure and heat are not felt, so nobody is warned.',
  },
  {
    flag: 'diabetes',
    unless: 'feeling-tested',
    level: 'caution',
    decisions: ['padding'],
    at: ['first-layer'],
    text: 'Test the feeling of foot or hand first; until then pad heel and toes as if nothing were felt, and look again early.',
    why: 'Diabetes takes feeling unnoticed, and a sore heel heals badly.',
  },
  {
    flag: 'unresponsive',
    level: 'caution',
    decisions: ['padding'],
    at: ['first-layer'],
    text: 'Pad more over every bony point and look again early.',
    why: 'The patient cannot say that it is hot, tight or painful.',
  },
]

/** Closed all round. */
export const closedShell: readonly FlagRule[] = [
  {
    flag: 'fresh',
    level: 'caution',
    at: ['check-after'],
    decisions: ['opening-time', 'room'],
    text: 'Plan its opening: split it as soon as it is hard, before the ward.',
    why: 'A closed cast on a fresh injury has no room to swell.',
  },
]
