import type { TimerKind } from '../records/run'
import type { Caution } from '#core/model/plan'
import type { StandingLevel } from '#core/model/standing'
import type { Region, Side } from '#core/model/vocabulary'
import type { PagerState } from '../records/page'
import type { WorkAhead } from '../records/task'
import type { TriedRound } from '../records/episode'
import type { EndingWay } from '../records/ending'

/** Answer of GET /api/urgent: what sounds through a locked screen, with no word of whom it is about. */
export interface UrgentAnswer {
  /** Alarms that nobody answered: each by its case and since when it runs. */
  readonly urgent: readonly { readonly caseId: string; readonly sinceAt: string | null }[]
  readonly now: string
}

/** One live case as the Board shows it; kept with the case and read without folding anything. */
export interface BoardRow {
  readonly caseId: string
  readonly episodeId: string
  readonly patient: string
  readonly isTemporaryName: boolean
  readonly place: string
  readonly technique: string
  readonly techniqueName: string
  readonly region: Region | null
  readonly side: Side | null
  readonly stage: Stage
  /** The worst that stands; null where nothing stands and nobody has looked. */
  readonly level: StandingLevel | null
  /** What may be said while nothing stands. */
  readonly headline: string | null
  /** The worst that stands, in words. */
  readonly finding: string | null
  /** What is done first about an alarm; left out where nothing alarms, and by lines from before it was said. */
  readonly first?: string
  /** Somebody who was paged has still to hear that the look was put right. */
  readonly owesWord?: true
  /** What a senior said last about the alarm; left out where nobody has. */
  readonly said?: { readonly by: string; readonly at: string; readonly text: string; readonly comesAt: string | null }
  /** Since when the device is on, ISO 8601 UTC; left out where nothing is on. */
  readonly onSince?: string
  /** How many things stand above what is known. */
  readonly standingCount: number
  /** What raised the worst, ISO 8601 UTC. */
  readonly sinceAt: string | null
  /** Until when a senior's decision settles the worst. */
  readonly settledUntilAt: string | null
  /** Whether an alarm was answered: since when it runs, by whom and when it was; null without one. */
  readonly answer: { readonly sinceAt: string; readonly by: string | null; readonly at: string | null } | null
  /** ISO 8601 UTC; null when nothing is scheduled. */
  readonly nextDueAt: string | null
  readonly graceMin: number
  readonly nextWhat: string | null
  /** The id of what is due next: `round`, or that of the work; left out where nothing is, and by lines from before it was said. */
  readonly nextId?: string
  /** Rounds that were tried since the last one that was done; left out where none was. */
  readonly tried?: readonly TriedRound[]
  /** What the last round left open, in words; left out where it was complete, or nobody has looked. */
  readonly leftOpen?: string
  readonly openedAt: string
  /** When the cast of this case was last opened, ISO 8601 UTC; left out while it is whole, or there is none. */
  readonly castOpenedAt?: string
  /** How the case ended here, and when, ISO 8601 UTC; left out while it goes on. */
  readonly ended?: { readonly how: EndingWay; readonly at: string }
  /** When the device came off, ISO 8601 UTC; left out while it is on. */
  readonly offAt?: string
  /** Until when a cast is still wet, ISO 8601 UTC; left out where nothing sets. */
  readonly wetUntilAt?: string
  /** It was on before the case was opened. */
  readonly foundOn?: true
  /** What somebody is in the middle of; left out where nobody is. */
  readonly running?: RunInHand
  /** Timers that run for it, the one that ends first first; left out where none does. */
  readonly timers?: readonly TimerInHand[]
  /** Who took the patient over last; left out while nobody did. */
  readonly takenOverBy?: string
  /** What falls due in the hours ahead, late work too, the earliest first; left out by lines from before anybody looked ahead. */
  readonly ahead?: readonly WorkAhead[]
  /** The limb is at risk by itself: nobody is left asleep without a word. */
  readonly isAtRisk?: true
  /** Its record is for the care team alone. */
  readonly isConfidential?: true
  /** Begun without an account, and not handed over yet; who has claimed it, where somebody has. */
  readonly unattributed?: { readonly actor: string; readonly name: string; readonly claimed?: { readonly by: string; readonly at: string } }
  /** The device is off; the line stays while something stands. */
  readonly isOff: boolean
  readonly isOnBoard: boolean
  /** Hospital number, empty while it is not known. */
  readonly number: string
  /** Words that the case is found by: kept beside the line, not sent. */
  readonly search: string
  /** When the line was worked out, ISO 8601 UTC. */
  readonly asOf: string
  /** What the plan as it was last made warns of; null before it was. Kept beside the line, not sent. */
  readonly live: readonly Caution[] | null
}

export interface BoardAnswer {
  readonly rows: readonly BoardRow[]
  /** Null where no pager is set up. */
  readonly pager: PagerState | null
  /** Entries of trainees that wait for a clinician's name; left out for who cannot give it. */
  readonly toCountersign?: number
  /** Entries of people whose access had ended, which wait for a lead; left out for everybody else. */
  readonly toSettle?: number
  /** Server time when the rows were read, ISO 8601 UTC. */
  readonly now: string
}

/** The path that every case walks, in order. */
export const stages = ['size-up', 'measure', 'choose', 'make-ready', 'apply', 'check', 'watch'] as const
export type Stage = (typeof stages)[number]

/** A run whose steps are not all done, as others see it. */
export interface RunInHand {
  /** What is being done. */
  readonly what: string
  readonly by: string
  readonly done: number
  readonly of: number
}

/** A timer of a case, as others see it. */
export interface TimerInHand {
  readonly label: string
  readonly kind: TimerKind
  /** ISO 8601 UTC */
  readonly endsAt: string
}
