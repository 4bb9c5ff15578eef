import type { ActionId } from '../model/action'
import type { ClinicalCase } from '../model/clinical-case'
import type { Danger } from '../model/danger'
import type { Finding, Level } from '../model/finding'
import type { CannotAskReason, RoundInput } from '../model/observation'
import type { PartId } from '../rounds/look'
import type { Situation } from './what-now'

// What is said of rounds, and what stands after them: what goes into the folding, and what comes out.

/** A named senior was told what the first round found: all of it, or the items named. */
export interface Told {
  readonly atMin: number
  readonly to: string
  /** Ids of standing: `leg-left/pulse`. */
  readonly items?: readonly string[]
}
/** A named senior's decision on an item that is urgent and stays so. */
export interface SeniorDecision {
  readonly atMin: number
  readonly by: string
  readonly part: PartId
  readonly item: string
  readonly untilMin: number
  /** Decided at the bedside, or by the operating surgeon as a plan that is under way. */
  readonly isAtBedside?: boolean
}

/** Something said outside of a round: it raises an item as a look would, and ends nothing. */
export interface Report {
  readonly atMin: number
  readonly part: PartId
  readonly item: string
  readonly level: Exclude<Level, 'known'>
  readonly code: string
  readonly text: string
  /** What danger it is, where the item does not say so. */
  readonly danger?: Danger
}

export type StandingState = 'open' | 'review' | 'settled' | 'unknown' | 'cannot-be-asked'

/** What stands of one item after the rounds so far. */
export interface StandingFinding {
  /** `leg-left/pulse` */
  readonly id: string
  readonly part: PartId
  readonly item: string
  readonly level: Level
  /** What kind of danger it is: what is done about it follows from this. */
  readonly danger: Danger
  readonly state: StandingState
  /** Set where a senior's decision holds. */
  readonly settledUntilMin: number | null
  readonly text: string
  /** The highest level at which touch is lost, where that is what was found. */
  readonly feelingLevel?: string
  readonly code: string
  readonly sinceMin: number
  /** The look that made it urgent, as long as that has not ended. */
  readonly alarmSinceMin: number | null
  readonly lookedAtMin: number
  /** It was there at the first look of all and is no worse since. */
  readonly isAsAtFirst?: boolean
  /** It waits for a second quiet round after one at this minute; null otherwise. */
  readonly quietAtMin: number | null
}

export interface RoundVerdict {
  readonly atMin: number
  /** The worst of what stands after this round. */
  readonly level: Level
  readonly complete: boolean
  /** What this round itself found. */
  readonly findings: readonly Finding[]
  readonly actions: readonly ActionId[]
  /** Minutes until the next check that this asks for; null when the schedule decides. */
  readonly againMin: number | null
  /** Ids of what was not looked at, when the round is incomplete. */
  readonly missing: readonly string[]
  readonly standing: readonly StandingFinding[]
}

export interface RoundsInput {
  readonly clinicalCase: ClinicalCase
  /** In any order. */
  readonly rounds: readonly RoundInput[]
  /** What is on, who is there and how the patient is, at a minute. */
  readonly situationAt: (atMin: number) => Situation
  /** The minute from which the list of rounds runs: the application. */
  readonly startMin: number
  /** Says when the situation of a minute is another one than it was: without it only the same input is folded onto. */
  readonly situationKey?: string
  /** The case is on the at-risk list for another reason than what rounds found. */
  readonly isAtRisk: boolean
  readonly told?: readonly Told[]
  readonly decisions?: readonly SeniorDecision[]
  readonly reports?: readonly Report[]
}

export interface FindingsAfterRounds {
  /** A verdict per round, in order of time; rounds of one minute in the order in which they came. */
  readonly verdicts: readonly RoundVerdict[]
  /** What stands at `nowMin`, worst first. */
  readonly findings: readonly StandingFinding[]
  readonly level: Level
  /** Nobody can ask the patient: why, and since when. */
  readonly cannotAsk: CannotAsk | null
  /** When each item was last looked at, by its id. */
  readonly lookedAtMin: ReadonlyMap<string, number>
  /** Decisions without effect: of what nobody found urgent, or of what is left only at the bedside. */
  readonly refused: readonly RefusedDecision[]
}

/** The patient cannot be asked, by the last round that says anything of it. */
export interface CannotAsk {
  readonly reason: CannotAskReason
  readonly sinceMin: number
  readonly lookedAtMin: number
}

/** A decision that changed nothing, and why. */
export interface RefusedDecision {
  readonly decision: SeniorDecision
  readonly why: 'not-urgent' | 'not-at-bedside'
}

/** The longest that a senior's decision holds, minutes. */
export const longestDecisionMin = 240
/** The longest that a limb without pulse, an airway, a cord or a closed limb is left as it is, minutes. */
export const longestGraveMin = 30
