import { refuse } from '../refuse'
import type { StayRules } from '../rules'

/** Somebody answers for a stay once. */
export const rules = {
  check({ at }, { stay: { unattributed }, cases }) {
    if (!unattributed) refuse('format', 'kind', 'Somebody with an account began this stay: there is nothing to claim.')
    if (unattributed?.claimed) {
      refuse('format', 'kind', `${unattributed.claimed.by} has claimed this stay already: add a note if there is more to say.`)
    }
    const ends = cases.map(({ ended }) => ended)
    const isOver = ends.length > 0 && ends.every((ended) => ended !== undefined && Date.parse(ended.at) < Date.parse(at))
    if (isOver) refuse('format', 'kind', `This stay has ended, ${ends[0]?.by ?? ''}: reopen its case first, then claim it.`)
  },
} satisfies StayRules<object>
