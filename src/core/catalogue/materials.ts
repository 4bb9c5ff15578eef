import type { StockItem } from '../model/clinical-case'

function widths(item: string, widthsCm: readonly number[], lengthCm?: number): readonly StockItem[] {
  return widthsCm.map((widthCm) => ({ item, widthCm, ...(lengthCm === undefined ? {} : { lengthCm }) }))
}

/** Materials by kind: widths and roll lengths in cm. Slabs come off a long strip, so they have no length. */
export const materials: readonly StockItem[] = [
  ...widths('plaster-slab', [7.5, 10, 12.5, 15, 20, 25, 30]),
  ...widths('fibreglass-slab', [5, 7.5, 10, 12.5, 15]),
  ...widths('plaster-roll', [7.5, 10, 15, 20], 270),
  ...widths('fibreglass-roll', [5, 7.5, 10, 12.5], 360),
  ...widths('padding-roll', [5, 7.5, 10, 15], 270),
  ...widths('elastic-bandage', [7.5, 10, 15], 450),
  ...widths('crepe-bandage', [7.5, 10, 15], 400),
  ...widths('stockinette', [5, 7.5, 10, 12.5, 15, 20, 25, 30, 35]),
]
