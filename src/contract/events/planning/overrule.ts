import type { CaseRecord } from '../../records/case'
import type { Overrule } from '#core/model/clinical-case'
import { caseKind } from '../kind'

export type OverruleBody = Omit<Overrule, 'by' | 'at'>

/** A figure replaced, or a caution set aside, with its reason. */
export const overrule = caseKind<OverruleBody>({
  nature: 'replacing',
  right: 'decide',
  bearsOnPlan: true,
  fold: (record, { at, actorName: by, body }): CaseRecord => ({
    ...record,
    overrules: [...record.overrules, { ...body, by, at }],
  }),
  example: { decision: 'slab-width', value: 12, reason: 'old scar there' },
})
