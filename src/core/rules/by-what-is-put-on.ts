import { walkingBoot } from './boot'
import type { FlagRule } from './flag-rule'
import { closedShell, hardShellStops, unfeltPressure } from './hard-shell'
import { ankleHitch, legPull, skinStrips } from './leg-pull'
import { closedCollar } from './neck'
import { saw } from './saw'
import { liftingVest, trunkShell } from './trunk'
import { wrist } from './wrist'

/** What flags raise, by what is put on the body: the one table that every technique reads. */
const table = {
  'hard-shell': hardShellStops,
  'unfelt-pressure': unfeltPressure,
  'closed-shell': closedShell,
  wrist,
  'walking-boot': walkingBoot,
  'leg-pull': legPull,
  'skin-strips': skinStrips,
  'ankle-hitch': ankleHitch,
  'closed-collar': closedCollar,
  'lifting-vest': liftingVest,
  'trunk-shell': trunkShell,
  saw,
} satisfies Record<string, readonly FlagRule[]>

/** Something that is put on the body and brings dangers of its own. */
export type PutOn = keyof typeof table

/** The rules of everything that is put on, in the order in which it is named. */
export function flagRulesOf(puts: readonly PutOn[]): readonly FlagRule[] {
  return puts.flatMap((one) => table[one])
}
