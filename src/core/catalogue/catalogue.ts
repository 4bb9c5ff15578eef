import type { StockItem } from '../case/clinical-case'
import { materials } from './materials'

/** The shipped catalogue: our own generic materials and sizes. */
export const catalogue: { readonly version: string; readonly items: readonly StockItem[] } = {
  version: '1',
  items: materials,
}
