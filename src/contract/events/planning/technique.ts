import type { CaseRecord } from '../../records/case'
import { caseKind } from '../kind'

export interface TechniqueBody {
  readonly technique: string
}

/** Another technique is chosen: options, overrules and acceptance end. */
export const technique = caseKind<TechniqueBody>({
  nature: 'replacing',
  right: 'add',
  bearsOnPlan: true,
  fold: (record, { body }): CaseRecord => ({
    ...record,
    technique: body.technique,
    options: {},
    overrules: [],
    accepted: null,
  }),
  example: { technique: 'slab-and-stirrup' },
})
