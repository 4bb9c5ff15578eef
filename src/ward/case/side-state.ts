import { onRoles, type StepRole } from '#core/model/step-role'
import { wrongSideId } from '#core/techniques/shared/any-troubles'
import type { CaseRecord } from '#contract/records/case'
import type { EpisodeRecord } from '#contract/records/episode'
import type { RunRecord, TroubleRecord } from '#contract/records/run'
import { countingRuns, kindOfRun } from '#contract/records/run-kind'
import { verdictOf, type SideAnswer } from '#contract/records/side'
import { doneWithRole } from './done-with-role'

/**
 * What a changed or doubted side asks for next: to look which limb it is on; to take off what is on the wrong one; a clinician to
 * change the side; identity and side read aloud afresh; nothing.
 */
export type SideState = 'where' | 'off' | 'change' | 'read' | 'settled'

/** Roles of steps that touch the patient's own body. */
const touching: readonly StepRole[] = ['first-touch', 'hold-taken', 'first-layer', 'moulds', ...onRoles]
/** Roles of steps after which something lies on the limb. */
const covering: readonly StepRole[] = ['first-layer', ...onRoles]

/** The last answer to "which limb is it on?" that was no slip. */
export function sideAnswerOf({ sideAnswers }: Pick<CaseRecord, 'sideAnswers'>): SideAnswer | null {
  return sideAnswers?.findLast((sideAnswer) => !sideAnswer.undone) ?? null
}

/** The trouble "wrong side" that nobody has settled yet. */
export function doubtedSide({ troubles }: Pick<CaseRecord, 'troubles'>): TroubleRecord | null {
  return troubles?.findLast((trouble) => trouble.troubleId === wrongSideId && !trouble.ended) ?? null
}

/** What the case asks for about its side. */
export function sideStateOf(record: CaseRecord, episode: EpisodeRecord): SideState {
  if (isOnWrongLimb(record)) return 'off'
  if (record.removedAt !== null) return 'settled'
  const doubted = doubtedSide(record)
  const changed = record.sideChange && !record.sideChange.checked ? record.sideChange : null
  if (!doubted && !changed) return 'settled'
  const side = episode.injuries[record.injuryId]?.side ?? null
  const answer = sideAnswerOf(record)
  const sinceMs = Math.min(...[doubted, changed].flatMap((one) => (one ? [Date.parse(one.at)] : [])))
  const isNew = answer !== null && Date.parse(answer.at) >= sinceMs
  if (isNew && answer.hurt !== side && changed === null) return 'change'
  if (isNew && answer.hurt === side) return 'read'
  return (doubted !== null || changed?.isOtherLimb === true) && isTouched(record) ? 'where' : 'read'
}

/** The run that goes on: while a side is open only the one that takes it off the wrong limb, else the last that counts. */
export function runInSight(record: CaseRecord, state: SideState): RunRecord | undefined {
  if (state === 'settled') return countingRuns(record).at(-1)
  const last = record.runs.at(-1)
  return state === 'off' && last && kindOfRun(last) === 'taking-off' ? last : undefined
}

/** Whether something lies on the wrong limb still. */
export function isOnWrongLimb(record: CaseRecord): boolean {
  const answer = sideAnswerOf(record)
  if (answer === null || verdictOf(answer) !== 'wrong' || record.removedAt !== null) return false
  const isOff = record.takenOff?.some((one) => Date.parse(one.at) >= Date.parse(answer.at)) === true
  return !isOff && (record.appliedAt !== null || wrongRuns(record).some((run) => doneWithRole(record, run, ...covering).length > 0))
}

/** Runs that put it on the wrong limb, as the last answer found. */
export function wrongRuns(record: Pick<CaseRecord, 'runs' | 'sideAnswers'>): readonly RunRecord[] {
  const answer = sideAnswerOf(record)
  return record.runs.filter((run) => run.wrongSide !== undefined && run.wrongSide.at === answer?.at && kindOfRun(run) === 'application')
}

/** Whether anything of this case has touched the patient's own body, runs that have ended as wrong side included. */
function isTouched(record: CaseRecord): boolean {
  return record.appliedAt !== null || record.runs.some((run) => !run.wrongSide && doneWithRole(record, run, ...touching).length > 0)
}
