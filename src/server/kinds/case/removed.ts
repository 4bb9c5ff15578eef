import type { CaseRules } from '../rules'
import { letGoOfStock } from '../stock/let-go-of-stock'

export const rules = { after: letGoOfStock } satisfies CaseRules<object>
