import type { CaseRecord } from '../../records/case'
import type { Orders } from '#core/model/orders'
import { caseKind } from '../kind'

export interface OrdersBody {
  readonly orders: Orders
}

/** What has been ordered; who entered it is kept with it. */
export const orders = caseKind<OrdersBody>({
  nature: 'replacing',
  right: 'add',
  isClinicians: true,
  bearsOnPlan: true,
  fold: (record, { at, actorName: by, body }): CaseRecord => ({ ...record, orders: body.orders, ordersEntered: { by, at } }),
  example: { orders: { weight: { by: 'Merryn Sale', at: '08:10' }, wedges: [{ week: 2, count: 3 }] } },
})
