import type { Region, Side } from '#core/model/vocabulary'
import type { SeniorWord, StandingLevel } from '#core/model/standing'
import type { Geometry } from '#core/model/geometry'
import type { LimbFinding } from '#core/standing/findings-on-limb'
import type { Recorded } from '../records/run'
import type { HeldThing } from '#core/model/held-thing'

/** Answer of GET /api/hand-over: live cases of the places asked for, the worst first. */
export interface HandOverAnswer {
  readonly lines: readonly HandOverLine[]
  readonly now: string
}

/** One patient's device as one shift tells the next of it. Times are ISO 8601 UTC. */
export interface HandOverLine {
  readonly caseId: string
  readonly place: string
  readonly patient: string
  /** Birth date and number, or which of the two nobody knows. */
  readonly identifiers: string
  readonly technique: string
  readonly region: Region | null
  readonly side: Side | null
  /** What is on the body now. */
  readonly built: AsBuilt
  /** What seniors said about what stands, since it began. */
  readonly words: readonly SeniorWord[]
  /** The worst that stands. */
  readonly level: StandingLevel
  readonly headline: string
  /** What happened since the last hand-over, whether or not it stands still; in the order of time. */
  readonly happened: readonly StoryLine[]
  /** Deficits that were there from the start: worse than these is new. */
  readonly known: readonly string[]
  /** What every hand has to think of: blood thinners, allergies. */
  readonly careful: readonly string[]
  /** How many items nobody can assess; they are one line. */
  readonly unassessed: number
  /** Everything else above known, worst first. */
  readonly stands: readonly { readonly level: StandingLevel; readonly text: string; readonly sinceAt: string }[]
  /** What was done in the last hours, the newest first. */
  readonly done: readonly DoneAbout[]
  /** What falls due in the next hours, the earliest first, what is overdue before it. */
  readonly owed: readonly { readonly text: string; readonly dueAt: string; readonly isOverdue: boolean }[]
  /** The limb with what it wears, and where on it what stands was found; null where nothing stands that has a place on it. */
  readonly drawing: { readonly geometry: Geometry; readonly findings: readonly LimbFinding[] } | null
  readonly worry: (Recorded & { readonly text: string }) | null
  /** Who took the patient over in this shift, and when; null where nobody did yet. */
  readonly takenOver: Recorded | null
}

/** Something that was done about what stands. */
export interface DoneAbout extends Recorded {
  readonly text: string
}

/**
 * What is on the body now: from what was done and read, never from what was planned or accepted. Times are ISO 8601 UTC.
 */
export interface AsBuilt {
  readonly technique: string
  readonly device: string
  readonly region: Region | null
  readonly side: Side | null
  readonly state: BuiltState
  /** From the first step that lays on, wraps, pulls or closes; null where nothing is on yet. */
  readonly onSince: string | null
  readonly putOnBy: string
  readonly offAt: string | null
  /** It is on, and steps of its run are still to be done. */
  readonly isUnfinished: boolean
  readonly pulls: readonly BuiltPull[]
  readonly held: readonly HeldNow[]
}

/** How the device is on this body. */
export type BuiltState = 'not-on' | 'being-put-on' | 'on' | 'eased' | 'open' | 'off'

/** A pull as it hangs or was taken, kg: read there, or as the plan has it where the step was done and nothing was read. */
export interface BuiltPull {
  readonly label: string
  readonly kg: number
  readonly at: string
  readonly by: string
  readonly how: 'read' | 'as planned'
  /** It was read where the pain eased. */
  readonly atRelief?: true
}

/** What is held by hand now. */
export interface HeldNow {
  readonly what: HeldThing
  /** "at the head" */
  readonly where: string
  /** Who holds; empty where nobody was named. */
  readonly by: string
  /** When the run was last touched, ISO 8601 UTC: whoever held then may have let go since. */
  readonly asOf: string
}

/** Something that happened to a patient, as one shift tells the next. Times are ISO 8601 UTC. */
export interface StoryLine {
  readonly at: string
  readonly by: string
  readonly text: string
  /** Of a loss: when that was well last; null where it was never seen well. */
  readonly wellAt?: string | null
  /** Of what is better and not well: what it was at its worst, and when. */
  readonly was?: { readonly text: string; readonly at: string }
  /** Of a correction: when the look was made that it puts right. */
  readonly corrects?: string
}
