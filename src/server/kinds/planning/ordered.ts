import { contradicting, orderKinds, orderNames } from '#core/model/orders'
import type { OrderedBody } from '#contract/events/planning/ordered'
import { refuse } from '../refuse'
import type { CaseRules } from '../rules'

/** Of two orders that contradict each other one has to be withdrawn by name first. */
export const rules: CaseRules<OrderedBody> = {
  check({ body: { ordered } }, { orders }) {
    const after = { ...orders, ...ordered }
    for (const kind of orderKinds) {
      if (!ordered[kind]) continue
      const [other] = contradicting(after, kind)
      if (other)
        refuse(
          'format',
          `body/ordered/${kind}`,
          `“${orderNames[kind]}” contradicts “${orderNames[other]}”, ordered by ${after[other]?.by ?? ''}: withdraw that one first, by who gives this.`,
        )
    }
  },
}
