import type { Plan } from '#core/model/plan'
import type { HandGrip } from '#core/model/step'
import type { TimerKind } from '#core/model/step'
import type { UnderneathBody } from './underneath'

export type { TimerKind }

/** Where hands can be. */
export const handGrips = ['apply', 'hold-distal', 'hold-joint', 'hold-proximal', 'fetch'] as const satisfies readonly HandGrip[]

export const stepOutcomes = ['done', 'skipped', 'undone'] as const
export type StepOutcome = (typeof stepOutcomes)[number]
/** A step as it was done. */
export interface StepBody {
  readonly runId: string
  readonly stepId: string
  readonly outcome: StepOutcome
  readonly reason: string
  /** Codes of stops that stood on it when it was done all the same. */
  readonly despite?: readonly string[]
}
/** A timer as it is started. */
export interface TimerBody {
  readonly runId: string
  readonly timerId: string
  readonly label: string
  readonly minutes: number
  /** Absent in runs from before timers had kinds. */
  readonly kind?: TimerKind
  /** The step whose end makes it moot. */
  readonly until?: string
}
/** Water and room as they were at wetting, and what the limb lay on. */
export interface WettedIn {
  readonly waterC: number
  readonly roomC: number
  readonly backing: 'air' | 'pillow'
}
/** A timer is its start event: what is left follows from the clock. */
export interface TimerRecord {
  readonly id: string
  readonly label: string
  readonly startedAt: string
  readonly minutes: number
  /** Absent in runs from before timers had kinds. */
  readonly kind?: TimerKind
  /** The step whose end makes it moot. */
  readonly until?: string
  /** When somebody ended it or heard it out. */
  readonly endedAt?: string
  /** The trouble that ended it, where one did. */
  readonly endedFor?: string
  /** Water and room when it was wetted, of a clock that runs from there. */
  readonly wetIn?: WettedIn
}
/** Who drives a run, on which device; anybody else follows. */
export interface RunDriver {
  readonly device: string
  readonly by: string
  readonly at: string
}

/** What every entry of a run has. */
export interface Recorded {
  readonly at: string
  readonly by: string
}
export const angleTools = ['goniometer', 'digital-goniometer', 'photo', 'eye'] as const
/** An angle as it was read at a step, degrees. */
export interface AngleBody {
  readonly runId: string
  readonly stepId: string
  readonly angleId: string
  readonly deg: number
  readonly tool: (typeof angleTools)[number]
}
export const pullTools = ['scale', 'ratchet', 'hand'] as const
/** A pull with the pain before and after it, 0 to 10; null where it could not be asked. */
export interface PullBody {
  readonly runId: string
  readonly stepId: string
  readonly kg: number | null
  readonly painBefore: number | null
  readonly painAfter: number | null
  readonly isEqualLength: boolean
  readonly tool: (typeof pullTools)[number]
}
export const strapMarks = ['open', 'touched', 'snug', 'checked'] as const
export type StrapMark = (typeof strapMarks)[number]
export interface StrapBody {
  readonly runId: string
  readonly stepId: string
  readonly strapId: string
  readonly mark: StrapMark
  /** Why it was closed out of turn; empty when it was its turn. */
  readonly reason: string
}
/** Something that went wrong, as it was recorded beside what was shown. */
export interface TroubleBody {
  readonly runId: string | null
  readonly stepId: string | null
  readonly troubleId: string
  readonly label: string
  readonly note: string
}
/** A hold that one person gives to another, acknowledged by who takes it. */
export interface HandOverBody {
  readonly runId: string
  readonly place: HandGrip
  readonly from: string
  readonly to: string
}
export type UnderneathRecord = Omit<UnderneathBody, 'runId'> & Recorded
export type StepRecord = Omit<StepBody, 'runId'> & Recorded
export type AngleRecord = Omit<AngleBody, 'runId'> & Recorded
export type PullRecord = Omit<PullBody, 'runId'> & Recorded
export type StrapRecord = Omit<StrapBody, 'runId'> & Recorded
/** A trouble as it was recorded: with the id of its event since troubles stand, and with what became of it where a person ended it. */
export type TroubleRecord = Omit<TroubleBody, 'runId'> &
  Recorded & { readonly id?: string; readonly ended?: Recorded & { readonly word: string; readonly isSlip?: true } }
export type HandOverRecord = Omit<HandOverBody, 'runId'> & Recorded

export interface RunStartedBody {
  readonly runId: string
  /** The device that drives it from its beginning. */
  readonly device?: string
  /** Another technique than the case's own: opening the cast that is on. */
  readonly technique?: string
  readonly options?: Readonly<Record<string, string | number>>
  /** The wait until it is hard is lifted. */
  readonly isOpenNow?: boolean
  /** What it begins with, whole. */
  readonly plan?: Plan
  /** Begun without an accepted plan, and why. */
  readonly withoutPlan?: string
  /** What is to be done to a device that is on, after a change was taken. */
  readonly isAdjustment?: true
  /** The owed work that it is: the same procedure, done again on what is on. */
  readonly care?: CareNamed
  /** Takes off what is on the wrong limb. */
  readonly isTakingOff?: true
  /** Puts on again what its wearer had off, by its own short plan. */
  readonly isAgain?: true
}

/** Owed work by the schedule’s id and in its words. */
export interface CareNamed {
  readonly taskId: string
  readonly text: string
}

/** One application, or one opening, of the case's device. What came later than the first version is optional. */
export interface RunRecord {
  readonly id: string
  readonly startedAt: string
  readonly by: string
  readonly technique?: string
  readonly options?: Readonly<Record<string, string | number>>
  readonly isOpenNow?: boolean
  readonly plan?: Plan
  readonly withoutPlan?: string
  readonly isAdjustment?: true
  readonly care?: CareNamed
  readonly isTakingOff?: true
  readonly isAgain?: true
  /** It turned out to be on the wrong limb and has ended: nothing done in it counts for the right one. */
  readonly wrongSide?: Recorded
  /** How the skin and the limb under what came off were, by step. */
  readonly underneath?: readonly UnderneathRecord[]
  readonly steps: readonly StepRecord[]
  readonly timers: readonly TimerRecord[]
  readonly driver?: RunDriver
  readonly angles?: readonly AngleRecord[]
  readonly pulls?: readonly PullRecord[]
  readonly straps?: readonly StrapRecord[]
  readonly troubles?: readonly TroubleRecord[]
  readonly handOvers?: readonly HandOverRecord[]
}

/** How each step of a run stands: the last thing recorded of it. */
export function outcomesOf(run: RunRecord): ReadonlyMap<string, StepOutcome> {
  const outcomes = new Map<string, StepOutcome>()
  for (const { stepId, outcome } of run.steps) {
    if (outcome === 'undone') outcomes.delete(stepId)
    else outcomes.set(stepId, outcome)
  }
  return outcomes
}

/** How each strap of a run stands at a step: the last mark. */
export function strapMarksAt(run: RunRecord, stepId: string): ReadonlyMap<string, StrapMark> {
  const marks = new Map<string, StrapMark>()
  for (const strap of run.straps ?? []) if (strap.stepId === stepId) marks.set(strap.strapId, strap.mark)
  return marks
}

/**
 * Timers of a run that still say something: not ended, not made moot by their step, and not run out for longer than
 * `keptMs`.
 * @param nowMs the server's time
 */
export function liveTimers(run: RunRecord, nowMs: number, keptMs = 10 * 60_000): readonly TimerRecord[] {
  if (run.wrongSide) return []
  return run.timers.filter((timer) => {
    const started = Date.parse(timer.startedAt)
    if (timer.endedAt && Date.parse(timer.endedAt) >= started) return false
    if (timer.until && run.steps.some((step) => step.stepId === timer.until && step.outcome !== 'undone' && Date.parse(step.at) >= started))
      return false
    return started + timer.minutes * 60_000 + keptMs > nowMs
  })
}
