import type { Orders } from '#core/model/orders'

/** What each order's own field is given. */
export interface OrderFieldProps {
  readonly caseId: string
  readonly orders: Orders
  readonly onOrders: (orders: Orders) => void
}
