import { caseKind } from '../kind'

export type PlanDroppedBody = Readonly<Record<string, never>>

/** The accepted plan is let go of. */
export const planDropped = caseKind<PlanDroppedBody>({
  nature: 'additive',
  right: 'decide',
  fold: (record) => ({ ...record, accepted: null }),
  example: {},
})
