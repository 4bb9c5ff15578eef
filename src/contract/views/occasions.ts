import type { Measurement } from '#core/model/clinical-case'
import { splitOccasions } from '#core/figures/body/occasions'
import type { CaseRecord } from '../records/case'

/**
 * Readings with the occasion that each belongs to, where none was named: a new one begins with the application, with every change that was
 * noted, and two hours after the last reading of that measurement.
 */
export function withOccasions(record: Pick<CaseRecord, 'measurements' | 'appliedAt' | 'changes'>): readonly Measurement[] {
  const bounds = [...(record.appliedAt ? [record.appliedAt] : []), ...(record.changes ?? []).map((one) => one.at)].map((at) =>
    Date.parse(at),
  )
  const keyOf = (one: Measurement): string => `${one.id} ${one.side ?? ''}`
  const names = new Map<Measurement, string>()
  for (const key of new Set(record.measurements.map(keyOf))) {
    const occasions = splitOccasions(
      record.measurements.filter((one) => keyOf(one) === key),
      bounds,
    )
    occasions.forEach((readings, index) => readings.forEach((one) => names.set(one, `occasion-${index + 1}`)))
  }
  return record.measurements.map((one) => (one.occasion === undefined ? { ...one, occasion: names.get(one) ?? 'occasion-1' } : one))
}
