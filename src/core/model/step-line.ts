import type { HeldThing } from './held-thing'

/** What one person does in one line: who needs two hands follows from it. */
export const lineActs = [
  'wind',
  'saw',
  'cut',
  'tie',
  'ratchet',
  'pull',
  'ease',
  'lift',
  'turn',
  'hold',
  'mould',
  'look',
  'read',
  'say',
  'fetch',
  'wet',
  'smooth',
  'lay',
  'thread',
  'open',
  'close',
  'press',
] as const
export type LineAct = (typeof lineActs)[number]

/** Where somebody stands: `you` apply, `table` wets, cuts and fetches. */
export const posts = ['you', 'foot', 'head', 'shoulder', 'hip', 'legs', 'side', 'behind', 'table', 'patient'] as const
export type Post = (typeof posts)[number]

/** Who it is, before their line. */
export const postWords: Readonly<Record<Post, string>> = {
  you: 'You',
  foot: 'At the foot',
  head: 'At the head',
  shoulder: 'At the shoulder',
  hip: 'At the hip',
  legs: 'At the legs',
  side: 'Far side',
  behind: 'Behind',
  table: 'At the table',
  patient: 'Patient',
}

/** Things that carry what hands let go of: `bed` what lies, `set` what is hard, `straps` what is closed round it. */
export const carrierThings = ['bed', 'prop', 'beam', 'chest', 'strap', 'ratchet', 'sling', 'board', 'set'] as const
export type CarrierThing = (typeof carrierThings)[number]

/** How the patient lies, sits or stands. */
export const postures = ['on-back', 'on-side', 'face-down', 'sitting', 'standing', 'as-found'] as const
export type Posture = (typeof postures)[number]

/** A layer on the body: from where to where, how often. */
export interface LaidLayer {
  readonly layer: string
  readonly axis: string
  readonly fromCm: number
  readonly toCm: number
  readonly passes: number
}

/** One act of one person; `at` is a place of the lane, or the thing that the hands are on. */
export interface StepLine {
  /** Its own in its step. */
  readonly id: string
  readonly act: LineAct
  readonly by: Post
  /** At most 70 characters. */
  readonly text: string
  /** Of the two of whoever does it; by the act unless said. */
  readonly hands?: 0 | 1 | 2
  readonly at?: string
  /** What these hands carry from now on. */
  readonly takes?: readonly HeldThing[]
  /** What they let go of, and to whom or what. */
  readonly gives?: readonly { readonly what: HeldThing; readonly to: Post | CarrierThing }[]
  readonly puts?: readonly LaidLayer[]
  /** The parts that it lays round, or that it closes into a ring. */
  readonly joins?: readonly string[]
  /** Elbows propped, a seat taken, or fresh hands: what is held here is held longer from now on. */
  readonly rests?: true
  /** Things as they are laid out, with their qualifier. */
  readonly uses?: readonly string[]
  /** How the patient lies after it. */
  readonly moves?: Posture
  /** People that a lift or a turn takes. */
  readonly needs?: number
  /** The whole text of a step that is not cut into lines yet. */
  readonly isUncut?: true
}

/** A step's headline is no longer, nor a line of it, characters. */
export const longestHeadline = 60
export const longestLine = 70
