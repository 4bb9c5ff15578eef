import type { ActionId } from './action'
import type { HeldThing } from './held-thing'
import type { StepLine } from './step-line'
import type { StepMust } from './step-must'
import type { StepRole } from './step-role'
import type { Side } from './vocabulary'

/** What a timer counts; each kind looks and sounds alike everywhere. */
export const timerKinds = ['wetting', 'set', 'hold', 'cure', 'cooling', 'limit', 'wait'] as const
export type TimerKind = (typeof timerKinds)[number]

/** A timer that belongs to a step; `Id` are the steps of its technique. */
export interface StepTimer<Id extends string = string> {
  readonly id: string
  readonly label: string
  readonly minutes: number
  readonly kind: TimerKind
  /** Starts by itself when the step comes up or when it is done; or only when it is asked for. */
  readonly starts: 'shown' | 'done' | 'asked'
  /** The step whose end makes it moot; without one it runs to its own end. */
  readonly until?: Id
}

/** An angle to hold at a step, degrees; `lowDeg` to `highDeg` is the band that counts as held. */
export interface StepAngle {
  readonly id: 'ankle' | 'knee' | 'wrist' | 'foot-plane'
  readonly label: string
  readonly targetDeg: number
  readonly lowDeg: number
  readonly highDeg: number
  /** How a photo shows it; absent where a photo from the side cannot. */
  readonly photo?: PhotoAngle
}

/** An angle as three points of a photo show it. */
export interface PhotoAngle {
  /** Where the first arm's end, the corner and the second arm's end go. */
  readonly points: readonly [string, string, string]
  /** The angle counts from straight: 180° less what lies between the arms. */
  readonly isBend: boolean
}

/** A pull to take at a step. */
export interface StepPull {
  /** What the school expects, kg; null where there is no body mass to work it out from. */
  readonly expectedKg: number | null
  /** More than this is not pulled, kg. */
  readonly mostKg: number
  /** True when the pull ends where the pain eases, false when it ends at the figure. */
  readonly toRelief: boolean
  readonly school: string
}

export interface StepStrap {
  readonly id: string
  readonly label: string
  /** Loop left over when the fingers that the school wants lie under it, cm; null where no figure is decided. */
  readonly slackCm: number | null
}

/** Straps to close at a step; `given` binds their order to the list. */
export interface StepStraps {
  readonly order: 'given' | 'any'
  readonly straps: readonly StepStrap[]
}

/** A reading that is taken at a step and answered there. */
export interface StepReading {
  /** Measurement id. */
  readonly id: string
  /** Where it is read on each side. */
  readonly side?: Side
  readonly label: string
  /** What is wanted, in words: "1 to 3 cm". */
  readonly wanted: string
  /** How the patient lies, sits or stands at this step, where it is not as the reading is usually taken. */
  readonly posture?: string
}

/** Where a pair of hands is needed: at the work, or holding the limb, or fetching. */
export type HandGrip = 'apply' | 'hold-distal' | 'hold-joint' | 'hold-proximal' | 'fetch'

/** A hold that lasts from the start of one step to the end of another. */
export interface Hold<Id extends string = string> {
  readonly what: HeldThing
  readonly from: Id
  readonly to: Id
  readonly place: HandGrip
  /** Steps at which it is taken over by another grip. */
  readonly changes?: readonly { readonly at: Id; readonly place: HandGrip }[]
}

/** One step of the application; `Id` are the steps of its technique, which it may name. */
export interface Step<Id extends string = string> {
  readonly id: Id
  /** All of it as one text: headline and lines joined. */
  readonly text: string
  /** What it achieves; none where the text is not cut into lines yet. */
  readonly headline?: string
  /** One act each, in their order; none where the text is not cut yet. */
  readonly lines?: readonly StepLine[]
  readonly why: string
  /** The mistake that this step prevents. */
  readonly prevents: string
  /** Steps that must come before. */
  readonly after: readonly Id[]
  /** Of what comes before it, what must, and what comes of it otherwise; the rest is a habit. Left out: all of `after` must. */
  readonly musts?: readonly StepMust[]
  readonly hands: readonly HandGrip[]
  /** What it does, as rules see it. */
  readonly roles: readonly StepRole[]
  /** A hold that begins with it. */
  readonly holds: Hold<Id> | null
  /** Least, likely and most minutes. */
  readonly minutes: readonly [number, number, number]
  /** Falls between wetting and set. */
  readonly wet: boolean
  /** Things to fetch, one by one, for the step that lays out. */
  readonly items?: readonly string[]
  /** The timer that its end starts. */
  readonly timer?: StepTimer<Id>
  /** Further timers: those that start when it comes up, and those that are asked for. */
  readonly moreTimers?: readonly StepTimer<Id>[]
  /** Angles to hold, with their bands. */
  readonly angles?: readonly StepAngle[]
  /** A pull to take. */
  readonly pull?: StepPull
  /** Straps to close. */
  readonly straps?: StepStraps
  /** What the patient is told, as it is said aloud. */
  readonly say?: string
  /** Fit tests answered here, by id. */
  readonly fits?: readonly string[]
  /** Readings taken here. */
  readonly reads?: readonly StepReading[]
  /** What has to be there before it can be confirmed, and where to enter it. */
  readonly waitsFor?: string
  /** Must be confirmed with its own button, in these words; never by Space or a pedal. */
  readonly confirm?: string
  /** Done only when planned: passing it by needs no reason. */
  readonly optional?: boolean
  /** First on the patient's own body: identity and side come before it. */
  readonly onPatient?: boolean
  /** Done only with what was found where something came off: skin, and on a limb the pulse; movement and feeling. */
  readonly underneath?: 'limb' | 'column'
  /** Actions about what stands that are done with it. */
  readonly answers?: readonly ActionId[]
  readonly cautions: readonly string[]
  /** Places on the lane (station, band or mark ids) that the step concerns. */
  readonly where: readonly string[]
}
