import type { Orders } from '#core/model/orders'
import { caseKind } from '../kind'

export interface OrdersBody {
  readonly orders: Orders
}

/** A spine order of version 1 was a word, and named nobody. */
function withSpinePosture(body: unknown): unknown {
  const { orders } = body as { readonly orders?: { readonly spine?: unknown } }
  return typeof orders?.spine === 'string' ? { ...(body as object), orders: { ...orders, spine: { posture: orders.spine } } } : body
}

/** What has been ordered; who entered it is kept with it. */
export const orders = caseKind<OrdersBody>({
  nature: 'replacing',
  right: 'add',
  isClinicians: true,
  bearsOnPlan: true,
  upcasters: [withSpinePosture],
  fold: (record, { at, actorName: by, body }) => ({ ...record, orders: body.orders, ordersEntered: { by, at } }),
  example: { orders: { weight: { by: 'Merryn Sale', at: '08:10' }, wedges: [{ week: 2, count: 3 }] } },
})
