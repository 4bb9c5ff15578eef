import { refuse } from '../refuse'
import type { StayRules } from '../rules'

/** Somebody answers for a stay once. */
export const rules = {
  check(_claim, { stay: { unattributed } }) {
    if (!unattributed) refuse('format', 'kind', 'Somebody with an account began this stay: there is nothing to claim.')
    if (unattributed?.claimed) {
      refuse('format', 'kind', `${unattributed.claimed.by} has claimed this stay already: add a note if there is more to say.`)
    }
  },
} satisfies StayRules<object>
