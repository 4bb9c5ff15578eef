/** The place of the orders on Size up: an address that ends with it lands on their first empty field. */
export const ordersPlace = 'orders'
