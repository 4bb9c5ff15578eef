import type { CaseRecord } from '../../records/case'
import { caseKind } from '../kind'

export interface OptionsBody {
  readonly options: Readonly<Record<string, string | number>>
}

/** Schools and ordered figures. */
export const options = caseKind<OptionsBody>({
  nature: 'replacing',
  right: 'add',
  isClinicians: true,
  bearsOnPlan: true,
  fold: (record, { body }): CaseRecord => ({ ...record, options: body.options }),
  example: { options: { extent: 'above-knee' } },
})
