import type { CaseRecord } from '../../records/case'
import { defaultSetup, type CaseSetup } from '../../records/case'
import { caseKind } from '../kind'

/** People, water and room. */
export const setup = caseKind<CaseSetup>({
  nature: 'replacing',
  right: 'add',
  bearsOnPlan: true,
  fold: (record, { body }): CaseRecord => ({ ...record, setup: body }),
  example: { ...defaultSetup, packSetMin: 6, wearDays: 10 },
})
