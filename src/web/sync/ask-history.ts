import { historyPageSize, type HistoryAnswer } from '#contract/api/history'
import { paths } from '#contract/api/paths'
import type { BoardRow } from '#contract/api/board'
import { callApi } from './api'

/** A page of the history as far as it was read, or why it was not. */
export type HistoryPage =
  | { readonly status: 'refused'; readonly why: string }
  | { readonly status: 'found'; readonly rows: readonly BoardRow[]; readonly next: string | null; readonly isLooking: boolean }

/**
 * Asks for cases until a page is full or there is nothing further back: the server looks through a few years at a time.
 * @param after where the page before ended; null for the first
 * @param onPart is given what there is by then, as it comes; whoever answers true wants no more of it
 */
export async function askHistory(words: string, after: string | null, onPart: (page: HistoryPage) => boolean): Promise<HistoryPage> {
  let rows: readonly BoardRow[] = []
  for (let next = after; ;) {
    const query = new URLSearchParams({ q: words, ...(next ? { after: next } : {}) })
    const result = await callApi<HistoryAnswer>('GET', paths.history(query.toString()))
    if (result.kind === 'refused') return { status: 'refused', why: result.problem.detail }
    if (result.kind !== 'ok')
      return { status: 'refused', why: 'No connection: the history is read from the server. Try again when it answers.' }
    rows = [...rows, ...result.value.rows]
    next = result.value.next
    const isLooking = next !== null && rows.length < historyPageSize
    const page = { status: 'found', rows, next, isLooking } as const
    if (!isLooking || onPart(page)) return { ...page, isLooking: false }
  }
}
