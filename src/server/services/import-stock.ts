import { createHash } from 'node:crypto'
import { parse } from 'csv-parse/sync'
import { stringify } from 'csv-stringify/sync'
import type { Sequelize } from 'sequelize'
import { v7 as uuidv7 } from 'uuid'
import type { Problem } from '#core/case/problem'
import type { StoredEvent } from '#contract/event'
import { stockColumns, type StockLine, type StockLot } from '#contract/store'
import { ApiError, invalidInput } from '../api-error'
import type { Clock } from '../clock'
import type { EventRepository } from '../repositories/events'
import type { StockRepository } from '../repositories/stock'
import type { StreamRepository } from '../repositories/streams'
import type { Actor } from './append-event'

const mostRows = 50_000
const mostProblems = 50

export interface ImportDeps {
  readonly db: Sequelize
  readonly events: EventRepository
  readonly streams: StreamRepository
  readonly stock: StockRepository
  readonly clock: Clock
}

interface CsvRow {
  readonly line: number
  readonly cells: readonly string[]
}

/**
 * Sets the stock of a place from CSV (RFC 4180; comma, semicolon or tab; with or without BOM; LF or CRLF): each row is the
 * count of one lot. Every bad row is reported by its line, and then nothing at all is imported.
 * @returns how many rows were taken
 */
export function createStockImport(deps: ImportDeps) {
  return async function importStock(placeId: string, text: string, actor: Actor): Promise<{ rows: number }> {
    const rows = readRows(text)
    const known = await deps.stock.itemCodes()
    const now = new Date(deps.clock()).toISOString()
    return deps.db.transaction(async (transaction) => {
      const head = await deps.streams.lockHead('place', placeId, transaction)
      if (head.version === 0) throw new ApiError(404, 'not-found', 'There is no such place: choose one from the list.')
      const before = await deps.stock.lotsOf(placeId, null, transaction)
      const lots = readLots(rows, known, new Map(before.map((lot) => [`${lot.itemCode}\n${lot.lot}`, lot])))
      const event: StoredEvent = {
        id: uuidv7(),
        stream: { type: 'place', id: placeId },
        kind: 'stock-imported',
        v: 1,
        body: { rows: lots.length, sha256: createHash('sha256').update(text).digest('hex') },
        at: now,
        offsetMs: 0,
        actor: actor.id,
        actorName: actor.name,
        receivedAt: now,
        version: head.version + 1,
      }
      const headHash = await deps.events.insert(event, head.headHash, transaction)
      await deps.stock.replaceLots(
        placeId,
        lots.map((one) => one.lot),
        transaction,
      )
      await deps.stock.addMovements(
        lots.map(({ lot, delta }) => ({
          eventId: event.id,
          placeId,
          itemCode: lot.itemCode,
          lotId: lot.lotId,
          delta,
          kind: 'imported',
          caseId: null,
          actorName: actor.name,
          at: new Date(now),
        })),
        transaction,
      )
      await deps.stock.saveHead(placeId, { version: event.version, headHash }, transaction)
      return { rows: lots.length }
    })
  }
}

/** The stock of a place as CSV with the same columns, CRLF as RFC 4180 has it. */
export function exportStock(lines: readonly StockLine[]): string {
  const rows = lines.flatMap((line) => line.lots.map((lot) => [lot.itemCode, lot.lot, lot.expiresOn ?? '', lot.count]))
  return stringify([[...stockColumns], ...rows], { record_delimiter: 'windows' })
}

function readRows(text: string): readonly CsvRow[] {
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
    }) as unknown as typeof records
  } catch (error) {
    const line = (error as { lines?: number }).lines ?? 1
    throw invalidInput([
      problem(line, `The file is not CSV: ${(error as Error).message.split('.')[0] ?? 'unreadable'}. Save it as CSV again.`),
    ])
  }
  const [header, ...rest] = records
  const columns = (header?.record ?? []).map((cell) => cell.toLowerCase())
  if (columns.length !== stockColumns.length || stockColumns.some((name, index) => columns[index] !== name)) {
    throw invalidInput([
      problem(1, `The columns must be ${stockColumns.join(', ')}, in this order, not ${columns.join(', ') || 'nothing'}: rename them.`),
    ])
  }
  if (rest.length === 0) throw invalidInput([problem(2, 'There is no row below the columns: add at least one.')])
  if (rest.length > mostRows)
    throw invalidInput([problem(mostRows + 2, `There are ${rest.length} rows; ${mostRows} is the most: split the file.`)])
  return rest.map(({ record, info }) => ({ line: info.lines, cells: record }))
}

function readLots(
  rows: readonly CsvRow[],
  known: ReadonlySet<string>,
  before: ReadonlyMap<string, StockLot>,
): readonly { lot: StockLot; delta: number }[] {
  const problems: Problem[] = []
  const seen = new Map<string, number>()
  const lots = rows.map(({ line, cells }) => {
    const [itemCode = '', lot = '', expiresOn = '', count = ''] = cells
    const report = (message: string): void => void problems.push(problem(line, message))
    if (cells.length !== stockColumns.length)
      report(`${cells.length} cells instead of ${stockColumns.length}: check quotes and separators.`)
    else {
      if (!known.has(itemCode)) report(`item_code "${itemCode}" is not in the catalogue: use a code from an export.`)
      if (lot === '' || lot.length > 40) report('lot must have 1 to 40 characters.')
      if (expiresOn !== '' && !isDay(expiresOn))
        report(`expires_on "${expiresOn}" is not a day such as 2027-03-31; leave it empty when it does not expire.`)
      if (!/^\d{1,6}$/.test(count)) report(`count "${count}" must be a whole number from 0 to 999999.`)
    }
    const key = `${itemCode}\n${lot}`
    const first = seen.get(key)
    if (first !== undefined) report(`The same item and lot stand in line ${first} already: keep one.`)
    seen.set(key, line)
    const old = before.get(key)
    const made: StockLot = { lotId: old?.lotId ?? uuidv7(), itemCode, lot, expiresOn: expiresOn || null, count: Number(count) }
    return { lot: made, delta: made.count - (old?.count ?? 0) }
  })
  if (problems.length > 0) {
    const more = problems.length - mostProblems
    throw invalidInput([...problems.slice(0, mostProblems), ...(more > 0 ? [problem(0, `and ${more} more rows like these.`)] : [])])
  }
  return lots
}

function isDay(text: string): boolean {
  return (
    /^\d{4}-\d{2}-\d{2}$/.test(text) &&
    !Number.isNaN(Date.parse(`${text}T00:00:00Z`)) &&
    new Date(`${text}T00:00:00Z`).toISOString().startsWith(text)
  )
}

function problem(line: number, message: string): Problem {
  return { code: 'format', path: line > 0 ? `line ${line}` : 'file', message: line > 0 ? `Line ${line}: ${message}` : message }
}
