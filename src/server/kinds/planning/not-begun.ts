import type { CaseRecord } from '#contract/records/case'
import { refuse } from '../refuse'

/** Refuses what would change the plan of an application that is under way or done. @param path the field that says it */
export function checkNotBegun(record: CaseRecord, path: string): void {
  if (record.runs.length === 0) return
  refuse('format', path, 'The application has begun: finish it, or open a new case for what is to be done instead.')
}
