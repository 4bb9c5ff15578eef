import type { BoardRow } from './board'

/** Cases on one page of the history. */
export const historyPageSize = 50

/**
 * Answer of GET /api/history: cases that were found, the newest first. A page may be short, or empty, and still have a next one: so far back
 * was looked by then.
 */
export interface HistoryAnswer {
  readonly rows: readonly BoardRow[]
  /** Where the next page begins; null on the last one. */
  readonly next: string | null
  readonly now: string
}
