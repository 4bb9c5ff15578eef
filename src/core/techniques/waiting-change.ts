import type { Plan } from '../model/plan'
import { comparePlans, isOfSubstance, type PlanChanges } from '../planner/compare-plans'
import { findTechnique } from './registry'

/**
 * What a plan made now would change of the one that was accepted; null where they differ in nothing of substance.
 * @param accepted as it was accepted
 * @param live the same case planned now
 */
export function waitingChange(accepted: Plan, live: Plan): PlanChanges | null {
  const changes = comparePlans(accepted, live, findTechnique(live.technique)?.decisions ?? [])
  return isOfSubstance(changes) ? changes : null
}

/** A mark of a change, alike for alike changes: what was kept is not asked again until it is another change. */
export function markOfChange(changes: PlanChanges): string {
  let hash = 0x811c9dc5
  for (const character of JSON.stringify(changes)) hash = Math.imul(hash ^ character.charCodeAt(0), 0x01000193) >>> 0
  return hash.toString(16).padStart(8, '0')
}
