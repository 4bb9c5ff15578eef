import type { CaseRecord } from '../../records/case'
import type { Measurement } from '#core/model/clinical-case'
import { spoken } from '#core/model/vocabulary'
import { caseKind } from '../kind'

export type ReadingBody = Omit<Measurement, 'key' | 'at' | 'by'>

/** A reading was taken. */
export const reading = caseKind<ReadingBody>({
  nature: 'additive',
  right: 'add',
  bearsOnPlan: true,
  words: ({ id, side, value, unit, tool }) =>
    `${spoken(id)}${side ? `, ${side}` : ''}: ${typeof value === 'string' ? spoken(value) : value}${unit && typeof value === 'number' ? ` ${unit}` : ''}${tool ? ` by ${spoken(tool)}` : ''}`,
  fold: (record, { id, at, actorName: by, body }): CaseRecord => ({
    ...record,
    measurements: [...record.measurements, { ...body, key: id, at, by }],
  }),
  example: { id: 'calf-girth', side: 'left', value: 38.5, unit: 'cm', tool: 'tape', confirmed: true },
})
