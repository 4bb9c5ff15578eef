import { walkingBoot } from './boot'
import { everyDevice, limbDevice, overInjury, skinEdges, unfeltEdges } from './every-device'
import type { FlagRule } from './flag-rule'
import { closedShell, hardShellStops, unfeltPressure } from './hard-shell'
import { ankleHitch, legPull, skinStrips } from './leg-pull'
import { closedCollar, heldLying } from './neck'
import { saw } from './saw'
import { liftingVest, roundTrunk } from './trunk'
import { wrist } from './wrist'

/** What flags raise, by what is put on the body: the one table that every technique reads. */
const table = {
  'every-device': everyDevice,
  'limb-device': limbDevice,
  'over-injury': overInjury,
  'skin-edges': skinEdges,
  'unfelt-edges': unfeltEdges,
  'hard-shell': hardShellStops,
  'unfelt-pressure': unfeltPressure,
  'closed-shell': closedShell,
  wrist,
  'walking-boot': walkingBoot,
  'leg-pull': legPull,
  'skin-strips': skinStrips,
  'ankle-hitch': ankleHitch,
  'closed-collar': closedCollar,
  'held-lying': heldLying,
  'lifting-vest': liftingVest,
  'round-trunk': roundTrunk,
  saw,
} satisfies Record<string, readonly FlagRule[]>

/** Something that is put on the body and brings dangers of its own. */
export type PutOn = keyof typeof table

/**
 * The rules of everything that is put on, those of every device first.
 * @param flags only those of these flags; left out: all
 */
export function flagRulesOf(puts: readonly PutOn[], flags?: ReadonlySet<string>): readonly FlagRule[] {
  const found: FlagRule[] = []
  for (const one of ['every-device', ...puts] as const) for (const rule of table[one]) if (!flags || flags.has(rule.flag)) found.push(rule)
  return found
}
