import type { CaseRecord } from '../../records/case'
import type { FitRecord } from '../../records/case'
import { caseKind } from '../kind'

export type FitBody = Omit<FitRecord, 'at' | 'by'>

/** One test of the fit. */
export const fit = caseKind<FitBody>({
  nature: 'additive',
  right: 'add',
  fold: (record, { at, actorName: by, body }): CaseRecord => ({ ...record, fit: [...record.fit, { ...body, at, by }] }),
  example: { testId: 'toes-seen', isGood: false, note: 'trimmed back' },
})
