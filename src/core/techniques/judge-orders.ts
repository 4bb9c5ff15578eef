import { contradicting, isOrdered, orderKinds, orderNames, type OrderKind } from '../model/orders'
import type { PlanDraft } from '../planner/draft'

/** Orders of which the techniques that use them say themselves what is missing. */
const saidElsewhere: readonly OrderKind[] = ['brace', 'spine']

/** Orders that name nobody are none, and of two that contradict each other somebody says which holds. */
export function judgeOrders(draft: PlanDraft): void {
  const { orders } = draft.clinicalCase
  for (const kind of orderKinds) {
    const order = orders[kind]
    if (!order || order.withdrawn || isOrdered(order) || saidElsewhere.includes(kind)) continue
    draft.caution({
      level: 'caution',
      code: 'not-ordered',
      text: `${orderNames[kind]}: have it ordered again by name.`,
      why: 'Nobody is named for it, and what nobody signs is no order.',
    })
  }
  for (const kind of orderKinds) {
    for (const other of contradicting(orders, kind)) {
      if (orderKinds.indexOf(other) < orderKinds.indexOf(kind)) continue
      draft.caution({
        level: 'caution',
        code: 'orders-contradict',
        text: `Ask which holds: “${orderNames[kind]}” by ${orders[kind]?.by ?? ''}, or “${orderNames[other]}” by ${orders[other]?.by ?? ''}.`,
        why: 'Both cannot be done.',
      })
    }
  }
}
