import { catalogue } from '#core/catalogue/catalogue'
import { itemCodeOf, itemLabel } from '#contract/records/store'
import type { StockRepository } from '../repositories/stock'

/** Makes every item of the shipped catalogue known to the store; what is counted and the low marks stay as they are. */
export async function syncCatalogue(stock: StockRepository): Promise<void> {
  await stock.addItems(
    catalogue.items.map((item) => ({ code: itemCodeOf(item), label: itemLabel(item), item, lowMark: item.item ? 3 : 1 })),
  )
}
