import { refuse } from '../refuse'
import type { StayRules } from '../rules'

export const rules = {
  check(_claim, { stay }) {
    if (!stay.merges?.some(({ undone }) => !undone)) refuse('format', 'kind', 'Nothing was merged into this stay that could be undone.')
  },
} satisfies StayRules<object>
