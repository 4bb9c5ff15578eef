import type { SheetId } from '#contract/api/papers'
import type { StockLine } from '#contract/records/store'
import { printFlow, type FlowBlock, type FlowFacts } from './flow-paper'

/** Shelf by shelf what should be there, with room for what is: for a count without a screen. */
export function printCountSheet(
  place: string,
  lines: readonly StockLine[],
  facts: Omit<FlowFacts, 'title'>,
  sheet: SheetId,
): Promise<Buffer> {
  const title = `Count: ${place}`
  return printFlow(countSheetBlocks(title, lines), { ...facts, title }, sheet)
}

/** The sheet as it flows down its pages. */
export function countSheetBlocks(title: string, lines: readonly StockLine[]): readonly FlowBlock[] {
  return [
    { kind: 'title', text: title },
    {
      kind: 'line',
      text: 'Counted by ____________________   on ____________   Write what is there; what was set aside is still on the shelf.',
    },
    {
      kind: 'table',
      head: ['What', 'Lot', 'Use by', 'On record', 'Counted'],
      shares: [4, 2, 1.6, 1.2, 1.4],
      rows: lines.flatMap((line) => [
        ...line.lots.map((lot) => [line.label, lot.lot, lot.expiresOn ?? '', String(lot.count), '']),
        // Room for a lot that nobody has entered.
        [line.label, '', '', '', ''],
      ]),
    },
  ]
}
