import { QueryTypes, type Sequelize } from 'sequelize'
import type { BoardRow } from '#contract/api/board'
import { datedQuery } from './dated-words'

/** Where a page of found cases begins: after the case with this opening time and id. */
export interface HistoryCursor {
  readonly openedAt: string
  readonly id: string
}

/** What was found, and where the search goes on. */
export interface FoundCases {
  readonly rows: readonly BoardRow[]
  /** Null where there is nothing further back. */
  readonly next: HistoryCursor | null
}

/** So many of the newest cases are walked before the index is asked. */
const mostWalked = 2_000
/** After so long the answer goes out, and says how far back it looked; one year at least is looked through. */
const usualPatienceMs = 60
/** Comes before every id of a case: a cursor with it begins at a year's end. */
const beforeAll = '00000000-0000-7000-8000-000000000000'
/** The words of a case, each with its parts behind it, so that a number is found by its end too. */
const spacedSearch = "CONCAT(' ', search, ' ', REPLACE(REPLACE(search, '-', ' '), '/', ' '))"
const beforeCursor = 'AND opened_at <= :openedAt AND (opened_at, id) < (:openedAt, :id)'

/**
 * Cases whose search words begin with every word asked for, the newest first. The newest are walked first, since what most cases have fills
 * a page there at once; what few have the index finds, one year after the other back in time.
 * @param words lower case, letters and digits, hyphens inside; none finds everything
 * @param before where the page begins; null for the first
 * @param count of a page
 * @param patienceMs after so long it says how far back it looked; `Infinity` looks through every year
 */
export async function findCases(
  db: Sequelize,
  words: readonly string[],
  before: HistoryCursor | null,
  count: number,
  patienceMs = usualPatienceMs,
): Promise<FoundCases> {
  const asked = words.map((_, index) => `spaced LIKE :word${index}`)
  const matching = asked.length > 0 ? `WHERE ${asked.join(' AND ')}` : ''
  // One more than a page says whether there is another.
  const most = count + 1
  const page = async (from: HistoryCursor | null, among: string, more: object = {}): Promise<readonly BoardRow[]> => {
    const line = `SELECT id, opened_at, ${spacedSearch} AS spaced FROM cases WHERE search IS NOT NULL ${from ? beforeCursor : ''}`
    const rows = await db.query<{ board: string }>(
      `SELECT cases.board FROM (
         SELECT id, opened_at FROM (${line} ${among}) AS some ${matching} ORDER BY opened_at DESC, id DESC LIMIT :most
       ) AS found JOIN cases ON cases.id = found.id ORDER BY found.opened_at DESC, found.id DESC`,
      {
        type: QueryTypes.SELECT,
        replacements: {
          ...Object.fromEntries(words.map((word, index) => [`word${index}`, `% ${word}%`])),
          ...(from ? { openedAt: new Date(from.openedAt), id: from.id } : {}),
          most,
          walked: words.length > 0 ? mostWalked : most,
          ...more,
        },
      },
    )
    return rows.map((row) => ({ ...(JSON.parse(row.board) as BoardRow), live: null, search: '' }))
  }
  const full = (rows: readonly BoardRow[]): FoundCases => {
    const last = rows[count - 1]
    return { rows: rows.slice(0, count), next: rows.length > count && last ? { openedAt: last.openedAt, id: last.caseId } : null }
  }
  const hasIndexed = datedQuery(words, 0) !== null
  if (before?.id !== beforeAll) {
    const newest = await page(before, 'ORDER BY opened_at DESC, id DESC LIMIT :walked')
    if (newest.length > count || words.length === 0) return full(newest)
    if (!hasIndexed) return full(await page(before, ''))
  }
  const startedMs = performance.now()
  const oldest = await oldestYear(db)
  let found: readonly BoardRow[] = []
  // What begins at a year's end is of the year before.
  for (let year = lastYear(before, await newestYear(db)); year >= oldest; year--) {
    found = [...found, ...(await page(before, 'AND MATCH(dated) AGAINST(:match IN BOOLEAN MODE)', { match: datedQuery(words, year) }))]
    if (found.length > count) return full(found)
    if (year > oldest && performance.now() - startedMs >= patienceMs)
      return { rows: found, next: { openedAt: `${year}-01-01T00:00:00.000Z`, id: beforeAll } }
  }
  return full(found)
}

function lastYear(before: HistoryCursor | null, newest: number): number {
  if (!before) return newest
  const year = new Date(before.openedAt).getUTCFullYear()
  return before.id === beforeAll ? year - 1 : year
}

const newestYear = (db: Sequelize): Promise<number> => yearOf(db, 'MAX')
const oldestYear = (db: Sequelize): Promise<number> => yearOf(db, 'MIN')

async function yearOf(db: Sequelize, which: 'MIN' | 'MAX'): Promise<number> {
  const [row] = await db.query<{ at: string | Date | null }>(`SELECT ${which}(opened_at) AS at FROM cases`, { type: QueryTypes.SELECT })
  return row?.at ? new Date(row.at).getUTCFullYear() : 0
}
