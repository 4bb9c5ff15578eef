import { stringify } from 'csv-stringify/sync'
import { stockColumns, type StockLine } from '#contract/records/store'

/** The stock of a place as CSV with the same columns, CRLF as RFC 4180 has it; no cell can start a formula where it is opened. */
export function exportStock(lines: readonly StockLine[]): string {
  const rows = lines.flatMap((line) => line.lots.map((lot) => [lot.itemCode, lot.lot, lot.expiresOn ?? '', lot.count]))
  return stringify([[...stockColumns], ...rows], { record_delimiter: 'windows', escape_formulas: true })
}
