import type { WardRecord } from '../records/ward'
import type { PagerState, ReceiptKind } from '../records/page'

export interface WardAnswer {
  readonly ward: WardRecord
  readonly version: number
  /** Null where no pager is set up. */
  readonly pager: PagerState | null
  readonly now: string
}

/** A receipt as the pager sends it back. */
export interface PagerReceipt {
  readonly pageId: string
  readonly what: ReceiptKind
  readonly who: string
  /** ISO 8601. */
  readonly at: string
}

/** What is signed of a receipt: every field, each on a line of its own. */
export function signedText({ pageId, what, who, at }: PagerReceipt): string {
  return [pageId, what, who, at].join('\n')
}
