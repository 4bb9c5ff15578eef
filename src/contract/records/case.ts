import type { Measurement, Overrule, StockItem } from '#core/model/clinical-case'
import type { Device } from '#core/model/device'
import type { Orders } from '#core/model/orders'
import type { Plan } from '#core/model/plan'
import { defaultProtocol, type Protocol } from '#core/quantities/defaults'
import type { CallEntry, ResponseEntry } from '#core/model/response'
import type { BuiltRig } from '#core/model/rig'
import type { StandingLevel } from '#core/model/standing'
import type { HandGrip } from '#core/model/step'
import type { IncidentBody } from './incident'
import type { LotsBody } from './lots'
import type { PageRecord } from './page'
import type { Recorded, RunRecord, TroubleRecord } from './run'
import type { SideAnswer } from './side'
import type { AddedTaskBody, TaskBody } from './task'
import type { EndingBody } from './ending'

/** People, water and room: what Make ready sets. */
export interface CaseSetup {
  /** Null until somebody says. */
  readonly people: number | null
  readonly waterC: number
  readonly roomC: number
  readonly backing: 'air' | 'pillow'
  readonly packSetMin: number | null
  readonly wearDays: number | null
  /** How the bed's rig is built, where it differs from the usual one. */
  readonly rig?: BuiltRig
}

export interface AcceptedPlan {
  readonly plan: Plan
  /** The local protocol that it was made by; the shipped one where there is none. */
  readonly protocol?: Protocol
  readonly at: string
  readonly by: string
  /** What of it was gone when it came, and where: it was accepted without a line. */
  readonly gone?: { readonly place: string; readonly items: readonly string[]; readonly at: string }
}

export interface FitRecord {
  readonly testId: string
  readonly isGood: boolean
  readonly note: string
  readonly at: string
  readonly by: string
}
/** Somebody who is here, and where their hands are. */
export interface CrewMember {
  readonly name: string
  readonly place: HandGrip
}
/** An order that was said back to who gave it. */
export interface ReadBackRecord {
  readonly what: string
  readonly orderedBy: string
  readonly at: string
  readonly by: string
}
export interface NoteRecord {
  readonly text: string
  readonly at: string
  readonly by: string
}

/** How a senior's words came: by themselves on a screen, by telephone to whoever entered them, or said at the bedside. */
export const decisionWays = ['self', 'telephone', 'bedside'] as const
/** What a senior answers about an alarm. */
export const decisionAnswers = ['open-now', 'comes', 'leave', 'words'] as const

/** What a named senior said about what is urgent. */
export interface DecisionBody {
  /** Who decided, by name. */
  readonly by: string
  readonly how: (typeof decisionWays)[number]
  readonly answer: (typeof decisionAnswers)[number]
  /** Why it is left, or other words; empty where the answer says all. */
  readonly what: string
  /** What they were told of: the ids of what stood, each with its level. Nothing else is decided. */
  readonly saw: readonly { readonly id: string; readonly level: StandingLevel }[]
  /** Minutes until they are there: of `comes`. */
  readonly comesInMin?: number
  /** Minutes for which it is left, 240 at most: of `leave`. */
  readonly forMin?: number
}

/** What a senior said, as it is kept. */
export type DecisionRecord = DecisionBody & { readonly at: string; readonly enteredBy: string }

/** A change of the plan that waited and was not taken. */
export interface KeptChange extends Recorded {
  readonly change: string
  readonly words: readonly string[]
  readonly reason: string
}

/** Side, region or pattern changed after identity had been checked; held until it is checked afresh. */
export interface SideChange extends Recorded {
  readonly from: string
  readonly to: string
  readonly reason: string
  /** The device was on: it may be on the wrong side. */
  readonly isOn: boolean
  /** Side or limb is another one. */
  readonly isOtherLimb: boolean
  readonly checked: Recorded | null
}

/** One device on one patient. A fold of the case's events. */
export interface CaseRecord {
  readonly id: string
  readonly episodeId: string
  readonly injuryId: string
  readonly technique: string
  /** The case whose device this one replaces. */
  readonly replaces?: string
  /** The technique of what it replaces; absent in cases from before it was kept. */
  readonly oldTechnique?: string
  /** Cases worn together with this one. */
  readonly with?: readonly string[]
  readonly openedAt: string
  /** When what its plan is made of last changed, as the server heard of it. */
  readonly factsAt?: string
  /** The version of the local protocol that it is planned and watched by; the shipped one where there was none when it was opened. */
  readonly protocol?: Protocol
  readonly options: Readonly<Record<string, string | number>>
  readonly setup: CaseSetup
  /** What has been ordered; absent in cases from before orders were kept. */
  readonly orders?: Orders
  /** Who entered the orders, and when: whoever gave them stands in them. */
  readonly ordersEntered?: { readonly by: string; readonly at: string }
  /** A cast that is already on, for techniques that work on one. */
  readonly device?: Device
  /** What the store held where this case takes from, when it was last looked at. */
  readonly store?: CaseStore
  readonly measurements: readonly Measurement[]
  readonly overrules: readonly Overrule[]
  readonly accepted: AcceptedPlan | null
  readonly kept?: readonly KeptChange[]
  readonly sideChange?: SideChange
  /** Which limb it was found on, in the order of time. */
  readonly sideAnswers?: readonly SideAnswer[]
  /** What was taken off the wrong limb. */
  readonly takenOff?: readonly (Recorded & { readonly runId: string })[]
  readonly runs: readonly RunRecord[]
  readonly crew?: readonly CrewMember[]
  readonly readBacks?: readonly ReadBackRecord[]
  /** What went wrong, in a run or between runs. */
  readonly troubles?: readonly TroubleRecord[]
  /** What was done about what stands. */
  readonly responses?: readonly (ResponseEntry & Recorded)[]
  readonly calls?: readonly (CallEntry & Recorded)[]
  /** Who was paged about it, and what came back, in the order of time. */
  readonly pages?: readonly PageRecord[]
  /** When *Call* was pressed, by whom, and how many pages had gone out by then: no clock decides whether one has followed. */
  readonly pageAsks?: readonly (Recorded & { readonly pages: number })[]
  readonly seniorDecisions?: readonly DecisionRecord[]
  readonly appliedAt: string | null
  /** It was on before the case was opened: what it is and since how many minutes, null where nobody knows. */
  readonly found?: Recorded & { readonly what: string; readonly minutesAgo: number | null }
  /** When the cast was last opened: rounds begin again from there. */
  readonly openedUpAt?: string
  /** When it was last opened at once, for what pressed. */
  readonly openedNowAt?: string
  /** What was changed on the device or the patient: readings after it are another occasion. */
  readonly changes?: readonly (Recorded & { readonly what: string })[]
  readonly fit: readonly FitRecord[]
  readonly notes: readonly NoteRecord[]
  /** Reported from here, in the order of time. */
  readonly incidents?: readonly (IncidentBody & Recorded)[]
  /** Of which lots what was used is, one answer an item; no lots in it where nobody knows them. */
  readonly lots?: readonly (LotsBody & Recorded)[]
  /** What became of owed work, in the order of time. */
  readonly tasks?: readonly (TaskBody & Recorded & { readonly id: string })[]
  /** Work that people wrote down. */
  readonly addedTasks?: readonly (AddedTaskBody & Recorded & { readonly id: string })[]
  /** What worries whoever looks after the patient; empty text where nothing does any more. */
  readonly worry?: Recorded & { readonly text: string }
  /** Who looks after the patient since when. */
  readonly takenOver?: Recorded
  readonly removedAt: string | null
  /** The case whose device went on in its place: what stood here stands there. */
  readonly replacedBy?: string
  /** How the skin was and whether everything moved and felt as before, when it came off. */
  readonly afterOff?: { readonly skin: string; readonly moves: string }
  /** The case has ended here. */
  readonly ended?: EndingBody & Recorded
  /** Ends that were undone, with why. */
  readonly endings?: readonly (EndingBody & Recorded & { readonly undone: Recorded & { readonly reason: string } })[]
}

/** The stock of one place as a plan uses it. */
export interface CaseStore {
  readonly placeId: string
  readonly placeName: string
  readonly items: readonly StockItem[]
}

/** Nobody has said how many are here: nothing is stopped or warned of by a number that nobody gave. */
export const defaultSetup: CaseSetup = { people: null, waterC: 22, roomC: 21, backing: 'air', packSetMin: null, wearDays: null }

/** The protocol that a case goes by: the one in force when it was opened, until it is moved to another. */
export function protocolOf(record: Pick<CaseRecord, 'protocol'>): Protocol {
  return record.protocol ?? defaultProtocol
}
