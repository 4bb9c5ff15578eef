import { refuse } from '../refuse'
import type { CaseRules } from '../rules'

export const rules = {
  check(_claim, record) {
    if (!record.ended) refuse('format', 'kind', 'The case has not ended: it goes on as it is.')
  },
} satisfies CaseRules<object>
