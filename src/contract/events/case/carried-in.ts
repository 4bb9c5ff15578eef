import type { CaseRecord } from '../../records/case'
import type { Measurement } from '#core/model/clinical-case'
import { exampleId } from '../example-ids'
import { caseKind } from '../kind'

/** A reading that came along keeps the key that it had. */
export type CarriedReading = Measurement & { readonly key: string }

export interface CarriedInBody {
  readonly fromCase: string
  /** As they were taken there: the server keeps its own copy of each, whatever the sender says beside its key. */
  readonly readings: readonly CarriedReading[]
}

/** Readings of the same patient come along from another device's case; those that are here already stay as they are. */
export const carriedIn = caseKind<CarriedInBody>({
  nature: 'additive',
  right: 'add',
  isCompletedByServer: true,
  names: ({ fromCase }) => [fromCase],
  copiesFrom: ({ fromCase }) => [fromCase],
  isOfOthers: () => true,
  bearsOnPlan: true,
  asSent: ({ fromCase, readings }) => ({ fromCase, keys: readings.map((reading) => reading.key) }),
  fold: (record, { body }): CaseRecord => {
    const here = new Set(record.measurements.map((measurement) => measurement.key))
    return { ...record, measurements: [...record.measurements, ...body.readings.filter((reading) => !here.has(reading.key))] }
  },
  example: { fromCase: exampleId, readings: [{ id: 'calf-girth', side: 'left', value: 38.5, unit: 'cm', key: exampleId }] },
})
