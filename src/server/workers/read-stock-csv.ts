import { parse } from 'csv-parse/sync'
import { v7 as uuidv7 } from 'uuid'
import type { Problem } from '#core/model/problem'
import { stockColumns, type StockLot } from '#contract/records/store'
import type { CountedLots } from '../repositories/stock'

const mostRows = 50_000
const mostProblems = 50
/** No row of four cells is longer: what is, is no such file. */
const mostLetters = 2_000

export interface CsvInput {
  readonly text: string
  /** Item codes of the catalogue. */
  readonly known: readonly string[]
  /** Lots that the place holds. */
  readonly before: readonly StockLot[]
}
const none: CountedLots = { lotIds: [], itemCodes: [], lots: [], expiresOn: [], counts: [], deltas: [] }

interface CsvRow {
  readonly line: number
  readonly cells: readonly string[]
}

/**
 * Reads counts of lots from CSV (RFC 4180; comma, semicolon or tab; with or without BOM; LF or CRLF): each row is the count of one
 * lot. Every bad row is reported by its line, and then none is taken. Runs in a worker: what is sent may be anything.
 */
export function readStockCsv({ text, known, before }: CsvInput): { readonly counted: CountedLots; readonly problems: readonly Problem[] } {
  const read = readRows(text)
  if ('problems' in read) return { counted: none, problems: read.problems }
  return readLots(read.rows, new Set(known), new Map(before.map((lot) => [keyOf(lot), lot])))
}

/** A lot is the same only with the same item, number and expiry. */
function keyOf({ itemCode, lot, expiresOn }: Pick<StockLot, 'itemCode' | 'lot' | 'expiresOn'>): string {
  return JSON.stringify([itemCode, lot, expiresOn])
}

function readRows(text: string): { readonly rows: readonly CsvRow[] } | { readonly problems: readonly Problem[] } {
  const refuse = (line: number, message: string) => ({ problems: [problem(line, message)] })
  const tooLong = findLongLine(text)
  if (tooLong !== null)
    return refuse(tooLong, `The line is longer than ${mostLetters} letters: four cells need fewer. Save it as CSV again.`)
  const firstLine = text.replace(/^\uFEFF/, '').split(/\r?\n/, 1)[0] ?? ''
  const delimiter = [',', ';', '\t'].reduce((best, one) => (firstLine.split(one).length > firstLine.split(best).length ? one : best), ',')
  let records: { record: string[]; info: { lines: number } }[]
  try {
    records = parse(text, {
      bom: true,
      delimiter,
      info: true,
      skip_empty_lines: true,
      relax_column_count: true,
      trim: true,
      max_record_size: mostLetters,
      to: mostRows + 2,
    }) as unknown as typeof records
  } catch (error) {
    const line = (error as { lines?: number }).lines ?? 1
    return refuse(line, `The file is not CSV: ${(error as Error).message.split('.')[0] ?? 'unreadable'}. Save it as CSV again.`)
  }
  const [header, ...rest] = records
  const columns = (header?.record ?? []).map((cell) => cell.toLowerCase())
  if (columns.length !== stockColumns.length || stockColumns.some((name, index) => columns[index] !== name)) {
    const found = columns.join(', ')
    return refuse(
      1,
      `The columns must be ${stockColumns.join(', ')}, in this order, not ${found.length > 80 ? `${found.slice(0, 79)}…` : found || 'nothing'}: rename them.`,
    )
  }
  if (rest.length === 0) return refuse(2, 'There is no row below the columns: add at least one.')
  if (rest.length > mostRows) return refuse(mostRows + 2, `There are more than ${mostRows} rows: split the file.`)
  return { rows: rest.map(({ record, info }) => ({ line: info.lines, cells: record.map(withoutGuard) })) }
}

function readLots(
  rows: readonly CsvRow[],
  known: ReadonlySet<string>,
  before: ReadonlyMap<string, StockLot>,
): { readonly counted: CountedLots; readonly problems: readonly Problem[] } {
  const problems: Problem[] = []
  const seen = new Map<string, number>()
  const found = { lotIds: [] as string[], itemCodes: [] as string[], lots: [] as string[] }
  const figures = { expiresOn: [] as (string | null)[], counts: [] as number[], deltas: [] as number[] }
  for (const { line, cells } of rows) {
    const [itemCode = '', lot = '', expires = '', count = ''] = cells
    problems.push(...judgeRow(cells, known).map((message) => problem(line, message)))
    const expiresOn = expires || null
    const key = keyOf({ itemCode, lot, expiresOn })
    const first = seen.get(key)
    if (first !== undefined) problems.push(problem(line, `The same item, lot and expiry stand in line ${first} already: keep one.`))
    seen.set(key, line)
    const old = before.get(key)
    found.lotIds.push(old?.lotId ?? uuidv7())
    found.itemCodes.push(itemCode)
    found.lots.push(lot)
    figures.expiresOn.push(expiresOn)
    figures.counts.push(Number(count))
    figures.deltas.push(Number(count) - (old?.count ?? 0))
  }
  if (problems.length === 0) return { counted: { ...found, ...figures }, problems }
  const more = problems.length - mostProblems
  return {
    counted: none,
    problems: [...problems.slice(0, mostProblems), ...(more > 0 ? [problem(0, `and ${more} more rows like these.`)] : [])],
  }
}

/** What is wrong with the cells of one row, in sentences. */
function judgeRow(cells: readonly string[], known: ReadonlySet<string>): readonly string[] {
  if (cells.length !== stockColumns.length) return [`${cells.length} cells instead of ${stockColumns.length}: check quotes and separators.`]
  const [itemCode = '', lot = '', expiresOn = '', count = ''] = cells
  return [
    ...(known.has(itemCode) ? [] : [`item_code "${itemCode}" is not in the catalogue: use a code from an export.`]),
    ...(lot === '' || lot.length > 40 ? ['lot must have 1 to 40 characters.'] : []),
    ...(expiresOn !== '' && !isDay(expiresOn)
      ? [`expires_on "${expiresOn}" is not a day such as 2027-03-31; leave it empty when it does not expire.`]
      : []),
    ...(/^\d{1,6}$/.test(count) ? [] : [`count "${count}" must be a whole number from 0 to 999999.`]),
  ]
}

function isDay(text: string): boolean {
  return (
    /^\d{4}-\d{2}-\d{2}$/.test(text) &&
    !Number.isNaN(Date.parse(`${text}T00:00:00Z`)) &&
    new Date(`${text}T00:00:00Z`).toISOString().startsWith(text)
  )
}

/** The number of the first line that no row of four cells could fill, or null: found before anything is taken apart. */
function findLongLine(text: string): number | null {
  let line = 1
  for (let from = 0; from < text.length; line++) {
    const end = text.indexOf('\n', from)
    const to = end < 0 ? text.length : end
    if (to - from > mostLetters) return line
    from = to + 1
  }
  return null
}

/** The mark that keeps a cell from being taken for a formula comes off again. */
function withoutGuard(cell: string): string {
  return /^'[=+\-@\t\r]/.test(cell) ? cell.slice(1) : cell
}

function problem(line: number, message: string): Problem {
  return { code: 'format', path: line > 0 ? `line ${line}` : 'file', message: line > 0 ? `Line ${line}: ${message}` : message }
}
