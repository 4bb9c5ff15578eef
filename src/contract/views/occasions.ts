import type { Measurement } from '#core/model/clinical-case'
import type { CaseRecord } from '../records/case'

/** Hours after which another reading of the same measurement is another occasion (STANDING, Readings in time). */
export const occasionGapH = 2

/**
 * Readings with the occasion that each belongs to, where none was named: a new one begins with the application, with every change that was
 * noted, and two hours after the last reading of that measurement.
 */
export function withOccasions(record: Pick<CaseRecord, 'measurements' | 'appliedAt' | 'changes'>): readonly Measurement[] {
  const bounds = [...(record.appliedAt ? [record.appliedAt] : []), ...(record.changes ?? []).map((one) => one.at)].map((at) =>
    Date.parse(at),
  )
  const byMeasurement = new Map<string, { ms: number; index: number; reading: Measurement }[]>()
  record.measurements.forEach((reading, index) => {
    const key = `${reading.id} ${reading.side ?? ''}`
    byMeasurement.set(key, [...(byMeasurement.get(key) ?? []), { ms: Date.parse(reading.at ?? ''), index, reading }])
  })
  const named = [...record.measurements]
  for (const readings of byMeasurement.values()) {
    let occasion = 0
    let last: number | null = null
    for (const { ms, index, reading } of [...readings].sort((a, b) => a.ms - b.ms || a.index - b.index)) {
      const before = last
      const isApart = before !== null && (ms - before > occasionGapH * 3_600_000 || bounds.some((at) => before < at && at <= ms))
      if (isApart) occasion++
      if (Number.isFinite(ms)) last = ms
      if (reading.occasion === undefined) named[index] = { ...reading, occasion: `occasion-${occasion + 1}` }
    }
  }
  return named
}
