import type { CaseRecord } from '../../records/case'
import { caseKind } from '../kind'

export type PlanDroppedBody = Readonly<Record<string, never>>

/** The accepted plan is let go of. */
export const planDropped = caseKind<PlanDroppedBody>({
  nature: 'additive',
  right: 'decide',
  fold: (record): CaseRecord => ({ ...record, accepted: null }),
  example: {},
})
