import type { FlagRule } from './flag-rule'

/** A vest strapped round trunk and thighs, to lift a seated patient. */
export const liftingVest: readonly FlagRule[] = [
  {
    flag: 'unstable',
    level: 'stop',
    at: ['settles'],
    text: 'Rapid extrication instead: hands on the head, out now.',
    why: 'The vest takes minutes that an unstable patient does not have.',
  },
  {
    flag: 'breathless-lying',
    level: 'caution',
    steps: ['strap-top', 'board'],
    text: 'Top strap last and loose; head end of the board raised.',
    why: 'Strap and flat lying both take breath.',
  },
  {
    flag: 'pregnant-late',
    level: 'caution',
    steps: ['strap-bottom', 'strap-top', 'board'],
    text: 'Bottom strap above and below the belly, never across; board tilted to the left.',
    why: 'Straps press the womb, and flat lying the great vein.',
  },
  {
    flag: 'pelvis-suspected',
    level: 'caution',
    decisions: ['leg-straps'],
    steps: ['strap-legs'],
    text: 'Leg straps to the same side, not crossed.',
    why: 'Crossed, they pull a broken pelvis together in the lift.',
  },
]

/** Anything closed round the trunk. */
export const roundTrunk: readonly FlagRule[] = [
  {
    flag: 'chest-injury',
    level: 'caution',
    steps: ['straps', 'strap-top'],
    text: 'Looser over the chest; count breaths before and after.',
    why: 'A closed shell takes breath from a hurt chest.',
  },
  {
    flag: 'stoma-or-drain',
    level: 'caution',
    steps: ['front-on', 'strap-bottom'],
    text: 'A window or padding over it; nothing kinked under shell or strap.',
    why: 'A pressed stoma or drain closes.',
  },
]
