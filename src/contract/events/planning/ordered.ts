import type { CaseRecord } from '../../records/case'
import { orderWords } from '#core/model/order-words'
import { orderKinds, type SignedOrders } from '#core/model/orders'
import { caseKind } from '../kind'

export interface OrderedBody {
  /** One order, under its kind. */
  readonly ordered: SignedOrders
}

/** Somebody ordered something by name: it stands in the place of the last one of its kind. Whoever hears it enters it, and who gave it signs. */
export const ordered = caseKind<OrderedBody>({
  nature: 'additive',
  right: 'add',
  bearsOnPlan: true,
  words: ({ ordered: orders }) =>
    orderKinds
      .flatMap((kind) => {
        const order = orders[kind]
        return order ? [`${orderWords(kind, orders)}, ordered by ${order.by}${order.how ? `, ${order.how}` : ''}`] : []
      })
      .join('; '),
  fold: (record, { at, actorName: by, body }): CaseRecord => ({
    ...record,
    orders: { ...record.orders, ...body.ordered },
    ordersEntered: { by, at },
  }),
  example: {
    ordered: { pull: { by: 'Merryn Sale', at: '2026-03-28T23:10:00Z', how: 'telephone', until: '2026-03-30T08:00:00Z', kg: 5 } },
  },
})
