/** So many lines are shown at once; whoever needs more narrows the days. */
export const auditPageSize = 300
/** So many days are looked through at once. */
export const mostAuditDays = 31

/** One thing that somebody did, without what it says of a patient. */
export interface AuditLine {
  /** ISO 8601 UTC. */
  readonly at: string
  readonly by: string
  readonly did: 'read' | 'wrote'
  /** What was shown or written, in words. */
  readonly what: string
  /** The case, stay or photo; empty for a list of many. */
  readonly subject: string
  /** Hospital number of the patient: empty where none was entered, null where it is about no one patient. */
  readonly patient: string | null
}

/** Answer of GET /api/admin/audit: the newest first. */
export interface AuditAnswer {
  readonly lines: readonly AuditLine[]
  /** There are older ones in these days. */
  readonly isCut: boolean
  readonly now: string
}
