import type { LimbFindings } from './observation'

/** One item of a block that is answered in words, from well to worst. */
export interface WordItem {
  readonly id: string
  readonly label: string
  /** How it is looked at, for whoever does it for the first time. */
  readonly how: string
  /** From well to worst; the first is the only one that raises nothing. */
  readonly words: readonly string[]
  /** What a word but the first is worth. */
  readonly level: 'review' | 'urgent'
  /** Words that never become something known from before. */
  readonly neverKnown?: readonly string[]
}

const breathing: WordItem = {
  id: 'breathing',
  label: 'Breathing',
  how: 'Listen at the mouth.',
  words: ['normal', 'harder', 'noisy'],
  level: 'urgent',
  neverKnown: ['harder', 'noisy'],
}

/** What a round asks of a neck, beside the four limbs. */
export const neckItems: readonly WordItem[] = [
  { id: 'voice', label: 'Voice', how: 'Ask for a sentence.', words: ['normal', 'changed'], level: 'urgent' },
  { id: 'swallowing', label: 'Swallowing', how: 'Ask, and watch.', words: ['normal', 'trouble'], level: 'urgent', neverKnown: ['trouble'] },
  breathing,
  { id: 'veins', label: 'Neck veins', how: 'Above the collar bones.', words: ['flat', 'full'], level: 'urgent', neverKnown: ['full'] },
]

/** What a round asks of a trunk, beside the four limbs and the level of feeling. */
export const spineItems: readonly WordItem[] = [
  { id: 'saddle', label: 'Saddle feeling', how: 'Between the legs.', words: ['normal', 'numb'], level: 'urgent' },
  {
    id: 'bladder',
    label: 'Bladder',
    how: 'When was it last emptied?',
    words: ['normal', 'retention', 'incontinence'],
    level: 'urgent',
    neverKnown: ['retention'],
  },
  { id: 'bowel', label: 'Bowel', how: 'Ask.', words: ['normal', 'incontinence'], level: 'urgent' },
  breathing,
  { id: 'belly', label: 'Belly', how: 'Look and feel under the shell.', words: ['soft', 'distended'], level: 'review' },
  { id: 'vomiting', label: 'Vomiting', how: 'Since the last round?', words: ['no', 'yes'], level: 'review' },
]

/** What a round asks of the circulation as a whole, where blood may be lost. */
export const vitalItems = [
  { id: 'heartRate', label: 'Heart rate', unit: 'a minute', greatest: 300 },
  { id: 'systolic', label: 'Systolic pressure', unit: 'mmHg', greatest: 300 },
  { id: 'breathingRate', label: 'Breaths', unit: 'a minute', greatest: 100 },
] as const

/** Confusion stands beside the vital figures, in words. */
export const confusionItem: WordItem = {
  id: 'confusion',
  label: 'Confusion',
  how: 'New to whoever knows the patient?',
  words: ['no', 'yes'],
  level: 'urgent',
}

/** Levels of feeling from the lowest to the highest; `normal` is no level at all. */
export const feelingLevels: readonly string[] = [
  'normal',
  ...spinal('S', 5),
  ...spinal('L', 5),
  ...spinal('T', 12),
  ...spinal('C', 8).slice(0, 7),
]

function spinal(letter: string, count: number): string[] {
  return Array.from({ length: count }, (_, index) => `${letter}${count - index}`)
}

/** The movements whose strength is tried in a neck or trunk round, 0 to 5, by limb. */
export const keyMovements: Readonly<Record<LimbFindings['limb'], readonly { readonly id: string; readonly label: string }[]>> = {
  arm: [
    { id: 'elbow-bend', label: 'Elbow bend' },
    { id: 'wrist-up', label: 'Wrist up' },
    { id: 'elbow-straight', label: 'Elbow straight' },
    { id: 'grip', label: 'Grip' },
    { id: 'fingers-apart', label: 'Fingers apart' },
  ],
  leg: [
    { id: 'hip-bend', label: 'Hip bend' },
    { id: 'knee-straight', label: 'Knee straight' },
    { id: 'foot-up', label: 'Foot up' },
    { id: 'great-toe-up', label: 'Great toe up' },
    { id: 'foot-down', label: 'Foot down' },
  ],
}

/** Also asked of a limb in a device: what is in the list is there, what is left out of a given list was asked and is not. */
export const alsoAskedSigns = ['smell', 'stain', 'wet', 'cracked', 'loose', 'heel', 'fever', 'calf-pain', 'breathlessness'] as const

/** Skin at the edges and over bone, from well to worst. */
export const skinWords = ['intact', 'reddens-and-blanches', 'red-not-blanching', 'broken'] as const
