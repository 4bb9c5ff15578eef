import type { CaseRecord } from '../../records/case'
import type { Plan } from '#core/model/plan'
import { examplePlan } from './example-plan'
import { caseKind } from '../kind'

export interface PlanBody {
  readonly plan: Plan
}

/** A plan is accepted: the whole of it, as it was. */
export const plan = caseKind<PlanBody>({
  nature: 'replacing',
  right: 'decide',
  isLong: true,
  fold: (record, { at, actorName: by, body }): CaseRecord => ({
    ...record,
    accepted: { plan: body.plan, at, by, ...(record.protocol ? { protocol: record.protocol } : {}) },
  }),
  example: { plan: examplePlan },
})
