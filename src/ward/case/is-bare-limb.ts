import type { CaseRecord } from '#contract/records/case'

/** Whether nothing is on the limb of a case yet: not this device, none it was found with, and none that it takes the place of. */
export function isBareLimb(record: CaseRecord): boolean {
  return record.appliedAt === null && record.found === undefined && record.replaces === undefined
}
