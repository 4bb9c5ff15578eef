import type { Plan } from '#core/model/plan'
import type { Problem } from '#core/model/problem'
import { pulseAbsent } from '#core/runs/what-binds'
import { cautionsBrought, type PlanChanges } from '#core/planner/compare-plans'
import { coreVersion } from '#core/techniques/plan-case'
import { findTechnique } from '#core/techniques/registry'
import { markOfChange, waitingChange } from '#core/techniques/waiting-change'
import type { CaseRecord } from '#contract/records/case'
import type { EpisodeRecord } from '#contract/records/episode'
import type { RunRecord } from '#contract/records/run'
import { toClinicalCase } from './clinical-case'
import { countingRuns, hasOwnPlan } from '#contract/records/run-kind'

/**
 * The plan that is applied, drawn, printed and recorded: what was accepted; without it what the run began with; before any of that the one
 * that would be made now.
 */
export function planInForce(record: CaseRecord, live: Plan): Plan {
  return record.accepted?.plan ?? ownRun(record)?.plan ?? live
}

/**
 * The plan of one run: an opening, a taking off, an adjustment, a putting on again keeps its own; the application goes by the plan in force, whichever was accepted last.
 * @param live the same run planned now: only for runs from before they held their plan
 */
export function planOfRun(record: CaseRecord, run: RunRecord | undefined, live: Plan): Plan {
  if (run && hasOwnPlan(run)) return run.plan ?? live
  return record.accepted?.plan ?? run?.plan ?? live
}

/** Readings that the accepted plan cannot do without, and that are missing or implausible: then a run begins only without a plan, for a reason. */
export function gapsOf(record: CaseRecord, episode: EpisodeRecord): readonly Problem[] {
  const plan = record.accepted?.plan
  if (!plan) return []
  const asked = findTechnique(plan.technique)?.measurements(toClinicalCase(record, episode), plan.options) ?? []
  const needed = asked
    .filter((measurement) => measurement.need === 'required')
    .map((measurement) => `measurements/${measurement.definition.id}`)
  const isGap = (problem: Problem): boolean => problem.code === 'missing' || problem.code === 'implausible'
  return plan.problems.filter(
    (problem) => isGap(problem) && needed.some((path) => problem.path === path || problem.path.startsWith(`${path}/`)),
  )
}

/** The run that puts the case's own device on. */
function ownRun(record: CaseRecord): RunRecord | undefined {
  return countingRuns(record).find((run) => !hasOwnPlan(run))
}

export interface WaitingChange {
  readonly changes: PlanChanges
  readonly mark: string
  /** It only tells what a newer product says of the same case: nobody has to decide about it. */
  readonly isNews: boolean
}

/**
 * Whether a plan made now differs from the accepted one only because the product was renewed since: nothing that it is made of changed.
 * Such a difference is said once and asks for nothing, unless it brings a stop.
 */
export function isOfProductAlone(record: CaseRecord, episode: Pick<EpisodeRecord, 'factsAt'>): boolean {
  if (!record.accepted || record.accepted.plan.versions.core === coreVersion) return false
  const acceptedMs = Date.parse(record.accepted.at)
  return [record.factsAt, episode.factsAt].every((at) => at === undefined || Date.parse(at) <= acceptedMs)
}

/** What a plan made now would change of the accepted one; null where nothing of substance would, or where that very change was not taken. */
export function changeWaiting(record: CaseRecord, episode: Pick<EpisodeRecord, 'factsAt'>, made: Plan): WaitingChange | null {
  if (!record.accepted) return null
  // Once it is on, a lost pulse is answered by what stands: nobody has to take a change of the application for it.
  const live = record.appliedAt === null ? made : { ...made, cautions: made.cautions.filter((caution) => caution.code !== pulseAbsent) }
  const bringsStop = cautionsBrought(record.accepted.plan.cautions, live.cautions).some(
    (caution) => caution.level === 'stop' && !caution.overruled,
  )
  const isNews = !bringsStop && isOfProductAlone(record, episode)
  const changes = waitingChange(record.accepted.plan, live)
  if (!changes) return null
  const mark = markOfChange(changes)
  return record.kept?.some((one) => one.change === mark && Date.parse(one.at) >= Date.parse(record.accepted?.at ?? ''))
    ? null
    : { changes, mark, isNews }
}

/** Whether a change waits that somebody has to take or to refuse. */
export function isChangeWaiting(record: CaseRecord, episode: Pick<EpisodeRecord, 'factsAt'>, live: Plan): boolean {
  return changeWaiting(record, episode, live)?.isNews === false
}

/** A change in words, each line before → after. */
export function changeWords({
  decisions,
  materials,
  cautionsNew,
  cautionsRaised,
  stepsGone,
  stepsNew,
  stepsMoved,
  stepsReworded,
}: PlanChanges): readonly string[] {
  const arrow = (before: string | null, after: string | null): string => `${before ?? 'none'} → ${after ?? 'none'}`
  return [
    ...cautionsNew.map((text) => `New: ${text}`),
    ...cautionsRaised.map((text) => `Weighs more: ${text}`),
    ...decisions.map((decision) => `${decision.label} ${arrow(decision.before, decision.after)}`),
    ...materials.map((material) => arrow(material.before, material.after)),
    ...stepsNew.map((text) => `Step new: ${text}`),
    ...stepsGone.map((text) => `Step gone: ${text}`),
    ...stepsReworded.map((one) => `Step now: ${one.after}`),
    ...stepsMoved.map((text) => `Step in another place: ${text}`),
  ]
}
