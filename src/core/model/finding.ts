import type { Side } from './vocabulary'

export const levels = ['none', 'known', 'warn', 'review', 'urgent'] as const
export type Level = (typeof levels)[number]

export interface Finding {
  /** The limb or block that it belongs to: `leg-left`, `neck`, … */
  readonly part: string
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

/** What is on the body, as far as it decides what is opened or eased first. */
export type DeviceKind = 'shell' | 'traction' | 'collar' | 'trunk'

/** What each action says to the person who has to do it, in the order in which actions come. */
export const actionTexts = {
  'as-trouble': 'Do what the trouble asks for, in its order.',
  'hold-head': 'Hold the head in line; say so, and do not let go.',
  'open-collar-held': 'Open the collar while the head is held.',
  airway: 'Clear the airway: jaw forward, suction, turn as one with the head held.',
  'flat-in-line': 'Lay the patient flat and in line; a breathless patient stays as found.',
  'open-front': 'Open the front of the shell.',
  breathing: 'Look and listen: breathing, belly, colour. Give oxygen.',
  'open-to-skin': 'Open the device down to the skin, padding included, its full length.',
  'ease-bend': 'Ease any bend the device holds, one person supporting the limb. Nobody pulls a fracture straight.',
  'heart-level': 'Bring the limb to heart level, not above it.',
  'ease-pull': 'Ease the pull, one person holding the limb.',
  'check-again': 'Check pulse, feeling and movement again at once.',
  'call-senior': 'Call the senior now.',
  'nil-by-mouth': 'Nothing by mouth.',
  'blood-pressure': 'Take the blood pressure and correct it if low.',
  'again-15': 'Check again within 15 minutes.',
  'surgical-30': 'Not settled at 30 minutes: a surgical decision.',
  loosen: 'Loosen the bandage or straps.',
  'senior-30': 'Senior at the bedside within 30 minutes.',
  'warm-repeat': 'Warm both limbs and press again.',
} as const
export type ActionId = keyof typeof actionTexts
export const actionIds = Object.keys(actionTexts) as ActionId[]
