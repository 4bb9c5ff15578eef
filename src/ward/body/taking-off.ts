import type { Plan } from '#core/model/plan'
import { bodyRegionOf, spoken } from '#core/model/vocabulary'
import { findTechnique } from '#core/techniques/registry'
import { takingOffPlan, type LaidOn } from '#core/techniques/taking-off-plan'
import { onRoles, type StepRole } from '#core/model/step-role'
import type { CaseRecord } from '#contract/records/case'
import type { EpisodeRecord } from '#contract/records/episode'
import type { RunStartedBody } from '#contract/records/run'
import { doneWithRole } from '../case/done-with-role'
import { isOnWrongLimb, sideAnswerOf, wrongRuns } from '../case/side-state'

/**
 * What taking it off the wrong limb begins with; the plan whole, so that it needs no line.
 * @param worn the plan of what is on
 * @returns null where nothing is on the wrong limb
 */
export function takingOffRun(record: CaseRecord, episode: EpisodeRecord, worn: Plan): Pick<RunStartedBody, 'isTakingOff' | 'plan'> | null {
  const technique = findTechnique(record.technique)
  if (!technique || !isOnWrongLimb(record)) return null
  return { isTakingOff: true, plan: takingOffPlan(worn, technique, { where: wrongPlace(record, episode), laidOn: laidOn(record) }) }
}

/** Where it is, in words: "LEFT leg"; without a side "wrong part". */
export function wrongPlace(record: CaseRecord, episode: EpisodeRecord): string {
  const on = sideAnswerOf(record)?.on
  const region = episode.injuries[record.injuryId]?.region
  if (on !== 'left' && on !== 'right') return 'wrong part'
  return `${on.toUpperCase()} ${region ? spoken(bodyRegionOf(region)) : 'limb'}`
}

/** How far it came: a layer alone, something wet, or whole. */
function laidOn(record: CaseRecord): LaidOn {
  const runs = wrongRuns(record)
  const has = (...roles: readonly StepRole[]): boolean => runs.some((run) => doneWithRole(record, run, ...roles).length > 0)
  if (record.appliedAt !== null || has('rigid-on')) return 'whole'
  if (has('wets')) return 'wet'
  return has(...onRoles) ? 'whole' : 'layer'
}
