import { bodyRegionOf, spoken } from '#core/model/vocabulary'
import type { CaseRecord } from './case'
import type { InjuryRecord } from './episode'

/** Whether somebody works by what is known of its injury: a plan is accepted, a run was begun or something is on, and not off or over. */
export function isUnderWay(record: CaseRecord): boolean {
  const isBegun = record.accepted !== null || record.runs.length > 0 || record.appliedAt !== null
  return isBegun && record.removedAt === null && !record.ended
}

/** Whether two records of an injury differ in what identity is read for: side, region, pattern. */
export function isOtherPlace(before: InjuryRecord | undefined, after: InjuryRecord): boolean {
  return before !== undefined && (before.side !== after.side || before.region !== after.region || before.pattern !== after.pattern)
}

/** Whether two records of an injury are of different limbs, or of limb and trunk. */
export function isOtherLimb(before: InjuryRecord, after: InjuryRecord): boolean {
  const part = ({ region }: InjuryRecord): string | null => (region === null ? null : bodyRegionOf(region))
  return before.side !== after.side || part(before) !== part(after)
}

/** Side, region and pattern in words, the side in capitals. */
export function placeWords(injury: InjuryRecord): string {
  const place = [injury.side?.toUpperCase(), injury.region ? spoken(injury.region) : 'no region'].filter(Boolean).join(' ')
  return `${place}, ${spoken(injury.pattern)}`
}

/** Whether something that was known is not said any more. */
export function isTakenAway(had: readonly string[], has: readonly string[]): boolean {
  return had.some((flag) => !has.includes(flag))
}
