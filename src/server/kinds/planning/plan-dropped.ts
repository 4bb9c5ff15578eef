import type { CaseRules } from '../rules'
import { letGoWithPlan } from '../stock/let-go-of-stock'
import { checkNotBegun } from './not-begun'

export const rules = {
  check: (_claim, record) => checkNotBegun(record, 'kind'),
  after: letGoWithPlan,
} satisfies CaseRules<object>
