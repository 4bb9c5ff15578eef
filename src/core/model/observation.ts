import { bodyRegionOf, type Region, type Side, type Swelling } from './vocabulary'

/** An item that could not be judged: never scored as normal. */
export interface CannotAssess {
  readonly cannotAssess: true
  readonly reason: string
  /** ISO 8601, or words: when it is expected to be possible again. */
  readonly until?: string
}
export type Item<T> = T | CannotAssess

export const colours = ['pink', 'pale', 'blue', 'dusky', 'red'] as const
export const warmths = ['warm', 'cool', 'cold'] as const
export const pulses = ['present', 'weak', 'absent'] as const
export const movements = ['full', 'weak', 'none'] as const
export const feelings = ['normal', 'tingling', 'reduced', 'none'] as const
export type Colour = (typeof colours)[number]
export type Warmth = (typeof warmths)[number]
export type Pulse = (typeof pulses)[number]
export type Movement = (typeof movements)[number]
export type Feeling = (typeof feelings)[number]

export interface Nerve {
  readonly id: string
  readonly label: string
  readonly feelingAt: string
  readonly movement: string
}

/** The nerves felt and moved in each limb, with where and how. */
export const nerves: Readonly<Record<'leg' | 'arm', readonly Nerve[]>> = {
  leg: [
    { id: 'deep-peroneal', label: 'Deep peroneal', feelingAt: 'web between big and second toe', movement: 'big toe up' },
    { id: 'superficial-peroneal', label: 'Superficial peroneal', feelingAt: 'top of the foot', movement: 'foot turned out' },
    { id: 'tibial', label: 'Tibial', feelingAt: 'sole', movement: 'toes down' },
  ],
  arm: [
    { id: 'radial', label: 'Radial', feelingAt: 'back of the first web space', movement: 'thumb up' },
    { id: 'median', label: 'Median', feelingAt: 'tip of the index finger', movement: 'thumb tip bent' },
    { id: 'ulnar', label: 'Ulnar', feelingAt: 'tip of the little finger', movement: 'fingers spread' },
  ],
}

/** What was found on one limb. Items left out were not looked at. */
export interface LimbFindings {
  readonly limb: 'leg' | 'arm'
  readonly side: Side
  readonly colour?: Item<Colour>
  /** True when this colour is usual for this patient. */
  readonly colourUsual?: boolean
  readonly warmth?: Item<Warmth>
  /** Capillary refill, seconds. */
  readonly refillS?: Item<number>
  readonly pulse?: Item<Pulse>
  readonly movement?: Readonly<Record<string, Item<Movement>>>
  readonly feeling?: Readonly<Record<string, Item<Feeling>>>
  /** Strength of key movements, 0 to 5, asked where the neck or the trunk is hurt. */
  readonly power?: Readonly<Record<string, Item<number>>>
  readonly swelling?: Item<Swelling>
  /** Pain at rest, 0 to 10. */
  readonly restPain?: Item<number>
  readonly stretchPain?: Item<boolean>
  readonly tight?: Item<boolean>
  /** Pain out of proportion to the injury, or a growing need for analgesia. */
  readonly painBeyondExpected?: boolean
  /** Burning or one-spot pain under the device, even if it stopped. */
  readonly spotPain?: boolean
  readonly skin?: Item<'intact' | 'reddens-and-blanches' | 'red-not-blanching' | 'broken'>
  /** Signs that are there; one that a given list leaves out was asked and is not. Without a list none was asked. */
  readonly also?: readonly string[]
  /** The list was not read whole: what it leaves out was not asked. */
  readonly isAlsoPartial?: boolean
}

/** What was found of the neck, of the trunk or of the circulation as a whole. Items left out were not looked at. */
export type BlockFindings = Readonly<Record<string, Item<string | number>>>

export const blockNames = ['neck', 'spine', 'vital'] as const
export type BlockName = (typeof blockNames)[number]

/** What a round has to look at: one limb with the other side, or all four limbs and the neck or the spine. */
export type Watched = 'leg' | 'arm' | 'neck' | 'spine'

/** What the injured region asks to be watched. */
export function watchedOf(region: Region | undefined): Watched {
  if (region === undefined) return 'leg'
  const body = bodyRegionOf(region)
  return body === 'trunk' ? 'spine' : body
}

/** Why a patient cannot answer at all. */
export const cannotAskReasons = ['unresponsive', 'sedated', 'block', 'child'] as const
export type CannotAskReason = (typeof cannotAskReasons)[number]

/** How each reason is said. */
export const cannotAskWords: Readonly<Record<CannotAskReason, string>> = {
  unresponsive: 'unresponsive',
  sedated: 'sedated',
  block: 'nerve block',
  child: 'a child who cannot say',
}

/** Whether an item of a limb needs an answer: pain, stretch pain, feeling, movement, strength; tightness is felt by hand. */
export function needsAnswer(item: string): boolean {
  return item === 'restPain' || item === 'stretchPain' || /^(feeling|movement|power)(\/|$)/.test(item)
}

/** One round: everything looked at together. */
export interface RoundInput {
  readonly atMin: number
  readonly baseline?: boolean
  readonly analgesia?: boolean
  /** Nobody can ask the patient: what needs an answer is neither missing nor well. */
  readonly cannotAsk?: CannotAskReason
  readonly limbs: readonly LimbFindings[]
  readonly neck?: BlockFindings
  /** The trunk, with `level`, the level of feeling. */
  readonly spine?: BlockFindings
  /** Heart rate, systolic pressure, breaths, confusion. */
  readonly vital?: BlockFindings
}

/** Whether an item was looked at but could not be judged. */
export function isCannotAssess(item: unknown): item is CannotAssess {
  return typeof item === 'object' && item !== null && (item as CannotAssess).cannotAssess === true
}

/** Whether something about limbs that were looked at could not be judged. */
export function hasBlindSpot(limbs: readonly LimbFindings[]): boolean {
  return limbs.some((limb) => Object.values(limb).some(isCannotAssess))
}

/** The value of an item, or undefined when it was not looked at or could not be judged. */
export function assessed<T>(item: Item<T> | undefined): T | undefined {
  return item === undefined || isCannotAssess(item) ? undefined : (item as T)
}
