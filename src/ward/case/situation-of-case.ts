import { hasStepRole, onRoles } from '#core/model/step-role'
import type { Posture } from '#core/model/danger'
import { holdsAt } from '#core/model/orders'
import { situationOf, usualPeople, type Moment } from '#core/standing/case-facts'
import type { Situation } from '#core/standing/what-now'
import { findTechnique } from '#core/techniques/registry'
import type { CaseRecord } from '#contract/records/case'
import type { EpisodeRecord } from '#contract/records/episode'
import { outcomesOf, type RunRecord } from '#contract/records/run'
import { toClinicalCase } from './clinical-case'
import { doneWithRole, everDoneWithRole } from './done-with-role'
import { countingRuns, kindOfRun } from '#contract/records/run-kind'
import { isOnWrongLimb, sideAnswerOf, wrongRuns } from './side-state'
import { isInHand } from './work-in-hand'

/** For so long what was wetted may still be hot. */
const warmMs = 60 * 60_000

/**
 * The situation in which a danger of this case meets whoever is there: what is on and holds, since the first step that lays on,
 * wraps, pulls or closes, whether or not its run has ended; how the patient is; how many are there.
 * @param people who is there now, where somebody said so
 */
export function situationOfCase(record: CaseRecord, episode: EpisodeRecord, atMs: number, people?: number): Situation {
  const moment: Moment = {
    isOn: isOnAt(record, atMs),
    people: people ?? peopleIn(record, atMs),
    posture: postureOf(record, atMs),
    isWarm: isWarmAt(record, atMs),
    pullKg: pullOf(record),
    ...(isOnWrongLimb(record) ? { wornBy: sideAnswerOf(record)?.on ?? 'elsewhere' } : {}),
  }
  const { noResuscitation, ...situation } = situationOf(toClinicalCase(record, episode), moment)
  // One whose time is over, or has not come, is none.
  const holds = noResuscitation !== undefined && holdsAt(record.orders?.noResuscitation, atMs)
  return { ...situation, ...(holds ? { noResuscitation } : {}) }
}

/** Milliseconds since the epoch at which the device began to be on; null where nothing is on yet. */
export function onSinceMs(record: CaseRecord): number | null {
  const applied = record.appliedAt === null ? [] : [Date.parse(record.appliedAt)]
  const begun = runsThatPutOn(record)
    .flatMap((run) => doneWithRole(record, run, ...onRoles))
    .map((step) => Date.parse(step.at))
  const all = [...applied, ...begun]
  return all.length === 0 ? null : Math.min(...all)
}

/** Since when the device is on, ISO 8601 UTC: from the first step that lays on, wraps, pulls or closes; null where nothing is on yet. */
export function onSinceAt(record: CaseRecord): string | null {
  const sinceMs = onSinceMs(record)
  return sinceMs === null ? null : new Date(sinceMs).toISOString()
}

/** Who put it on: whoever did the first step that did, or led the run; openings and changes since are other people's. Empty where nobody did. */
export function putOnBy(record: CaseRecord): string {
  const run = runsThatPutOn(record)[0]
  const step = run && everDoneWithRole(record, run, ...onRoles)[0]
  return step?.by ?? run?.by ?? ''
}

function isOnAt(record: CaseRecord, atMs: number): boolean {
  const sinceMs = onSinceMs(record)
  return sinceMs !== null && sinceMs <= atMs && (record.removedAt === null || Date.parse(record.removedAt) > atMs)
}

/** Runs that put on what is on: those that count, and until it is off those that put it on the wrong limb. */
function runsThatPutOn(record: CaseRecord): readonly RunRecord[] {
  const wrong = isOnWrongLimb(record) ? wrongRuns(record) : []
  return [...countingRuns(record).filter((run) => kindOfRun(run) === 'application'), ...wrong]
}

/** Who is named as here; without names what Make ready set, while its run goes on. */
function peopleIn(record: CaseRecord, atMs: number): number {
  const run = record.runs.at(-1)
  if (!run || !isInHand(record, run, atMs)) return usualPeople
  return record.crew?.length || record.setup.people || usualPeople
}

/** How the patient is: upright where the device is put on so, half turned from the first step that turns to the end of the last one. */
function postureOf(record: CaseRecord, atMs: number): Posture {
  const run = record.runs.at(-1)
  if (!run || !isInHand(record, run, atMs)) return 'lying'
  const technique = findTechnique(run.technique ?? record.technique)
  const steps = run.plan?.procedure.steps ?? record.accepted?.plan.procedure.steps ?? []
  const outcomes = outcomesOf(run)
  const options = run.plan?.options ?? record.accepted?.plan.options ?? {}
  const isDone = (id: string): boolean => outcomes.has(id)
  const isLowered = steps.some((step) => hasStepRole(step, 'lowers') && isDone(step.id))
  if (technique?.isUpright?.(options) && !isLowered) return 'upright'
  const turning = steps.flatMap((step, index) => (hasStepRole(step, 'turns') ? [index] : []))
  const at = steps.findIndex((step) => !isDone(step.id))
  const [first, last] = [turning[0], turning.at(-1)]
  return first !== undefined && last !== undefined && at >= first && at <= last ? 'half-turned' : 'lying'
}

function isWarmAt(record: CaseRecord, atMs: number): boolean {
  const wetted = runsThatPutOn(record)
    .flatMap((run) => doneWithRole(record, run, 'wets'))
    .map((step) => Date.parse(step.at))
  return wetted.some((doneMs) => doneMs <= atMs && atMs - doneMs < warmMs)
}

function pullOf(record: CaseRecord): number | null {
  const steps = record.accepted?.plan.procedure.steps ?? []
  return steps.flatMap((step) => step.pull?.expectedKg ?? [])[0] ?? null
}
