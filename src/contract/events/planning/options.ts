import { caseKind } from '../kind'
import { optionsInNewSense } from '../applying/ankle-sense'

export interface OptionsBody {
  readonly options: Readonly<Record<string, string | number>>
}

/** Schools and ordered figures. */
export const options = caseKind<OptionsBody>({
  nature: 'replacing',
  right: 'add',
  isClinicians: true,
  bearsOnPlan: true,
  upcasters: [optionsInNewSense],
  fold: (record, { body }) => ({ ...record, options: body.options }),
  example: { options: { extent: 'above-knee' } },
})
