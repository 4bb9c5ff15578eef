import type { Plan } from '#core/model/plan'
import { takenItems } from '#core/techniques/decision-in-role'
import type { StockLine } from '#contract/records/store'

/** What accepting a plan sets aside: item code and number, for everything that is stocked by code. */
export function reservationsOf(plan: Plan, lines: readonly StockLine[]): readonly { itemCode: string; count: number }[] {
  const wanted = new Map<string, number>()
  const add = (itemCode: string | undefined, count: number): void => {
    if (itemCode && count > 0) wanted.set(itemCode, (wanted.get(itemCode) ?? 0) + count)
  }
  for (const material of plan.materials) {
    const line = lines.find((one) => one.item.item === material.item && one.item.widthCm === (material.widthCm ?? undefined))
    add(line?.itemCode, material.rolls ?? material.pieces ?? 1)
  }
  for (const { value, isItem } of takenItems(plan)) add(lines.find((line) => isItem(line.item, value))?.itemCode, 1)
  return [...wanted].map(([itemCode, count]) => ({ itemCode, count }))
}
