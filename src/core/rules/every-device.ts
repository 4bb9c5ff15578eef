import type { FlagRule } from './flag-rule'

/** Whatever is put on. */
export const everyDevice: readonly FlagRule[] = [
  {
    flag: 'latex-allergy',
    level: 'caution',
    steps: ['protect', 'lay-out', 'bandage'],
    text: 'Latex-free gloves, bandage and tubing, before the first touch.',
    why: 'Gloves and elastic bandage may hold latex; a reaction can close the airway.',
  },
  {
    flag: 'lives-alone',
    level: 'note',
    steps: [],
    text: 'Before going home: who helps, are there stairs, is there a telephone in reach?',
    why: 'Nobody at home sees the foot turn blue.',
  },
]

/** Anything that presses on a limb. */
export const limbDevice: readonly FlagRule[] = [
  {
    flag: 'implant',
    level: 'caution',
    steps: ['padding', 'ring-set', 'hinges', 'straps', 'heel-home', 'strips'],
    text: 'Find out where the implant lies: nothing presses on it or levers at its end.',
    why: 'Skin over metal is thin, and bone breaks at the end of a plate.',
  },
  {
    flag: 'lymphoedema',
    level: 'caution',
    steps: ['padding', 'bandage', 'straps', 'strips'],
    text: 'Wider padding, everything laid on looser, earlier review.',
    why: 'The limb cannot drain what a bandage or strap holds back.',
  },
]
