import type { Measurement } from '#core/model/clinical-case'
import { splitOccasions } from '#core/figures/body/occasions'
import type { CaseRecord } from '#contract/records/case'

/**
 * Readings with the occasion that each belongs to, where none was named: a new one begins with the application, with every change that was
 * noted, and two hours after the last reading of that measurement. What was worked out for the readings of a record is remembered with them.
 */
export function withOccasions(record: Occasioned): readonly Measurement[] {
  const known = remembered.get(record.measurements)
  if (known && known.of.appliedAt === record.appliedAt && known.of.changes === record.changes) return known.measurements
  const measurements = nameOccasions(record)
  remembered.set(record.measurements, { of: { appliedAt: record.appliedAt, changes: record.changes }, measurements })
  return measurements
}

type Occasioned = Pick<CaseRecord, 'measurements' | 'appliedAt' | 'changes'>
interface Remembered {
  readonly of: { readonly appliedAt: Occasioned['appliedAt']; readonly changes: Occasioned['changes'] | undefined }
  readonly measurements: readonly Measurement[]
}
const remembered = new WeakMap<readonly Measurement[], Remembered>()

function nameOccasions(record: Occasioned): readonly Measurement[] {
  const bounds = [...(record.appliedAt ? [record.appliedAt] : []), ...(record.changes ?? []).map((change) => change.at)].map((at) =>
    Date.parse(at),
  )
  const byKey = new Map<string, Measurement[]>()
  for (const one of record.measurements) {
    const key = `${one.id} ${one.side ?? ''}`
    const same = byKey.get(key)
    if (same) same.push(one)
    else byKey.set(key, [one])
  }
  const names = new Map<Measurement, string>()
  for (const same of byKey.values())
    splitOccasions(same, bounds).forEach((readings, index) => readings.forEach((reading) => names.set(reading, `occasion-${index + 1}`)))
  return record.measurements.map((measurement) =>
    measurement.occasion === undefined ? { ...measurement, occasion: names.get(measurement) ?? 'occasion-1' } : measurement,
  )
}
