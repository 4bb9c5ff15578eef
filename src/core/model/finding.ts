import type { Side } from './vocabulary'

export const levels = ['none', 'known', 'warn', 'review', 'urgent'] as const
export type Level = (typeof levels)[number]

export interface Finding {
  /** What was looked at: `pulse`, `feeling/tibial`, … */
  readonly item: string
  readonly side: Side | null
  readonly level: Level
  readonly code: string
  /** In words, for people. */
  readonly text: string
}

/** The worse of two levels. */
export function worse(a: Level, b: Level): Level {
  return levels.indexOf(a) >= levels.indexOf(b) ? a : b
}

export type ActionId =
  | 'open-to-skin'
  | 'ease-bend'
  | 'heart-level'
  | 'call-senior'
  | 'again-15'
  | 'nil-by-mouth'
  | 'blood-pressure'
  | 'surgical-30'
  | 'loosen'
  | 'senior-30'
  | 'warm-repeat'
  | 'ease-pull'
  | 'open-collar-held'

/** What each action says to the person who has to do it. */
export const actionTexts: Readonly<Record<ActionId, string>> = {
  'open-to-skin': 'Open the device down to the skin, padding included, its full length.',
  'ease-bend': 'Ease any bend the device holds, one person supporting the limb. Nobody pulls a fracture straight.',
  'heart-level': 'Bring the limb to heart level, not above it.',
  'call-senior': 'Call the senior now.',
  'again-15': 'Check again within 15 minutes.',
  'nil-by-mouth': 'Nothing by mouth.',
  'blood-pressure': 'Take the blood pressure and correct it if low.',
  'surgical-30': 'Not settled at 30 minutes: a surgical decision.',
  loosen: 'Loosen the bandage or straps.',
  'senior-30': 'Senior at the bedside within 30 minutes.',
  'warm-repeat': 'Warm both limbs and press again.',
  'ease-pull': 'Ease the pull and check again.',
  'open-collar-held': 'Open the collar while the head is held.',
}
