import type { CaseRecord } from '../records/case'

/** A case without one of its readings. */
export function withoutReading(record: CaseRecord, key: string): CaseRecord {
  return { ...record, measurements: record.measurements.filter((measurement) => measurement.key !== key) }
}
