import type { CaseRecord } from '../../records/case'
import type { ReceiptBody } from '../../records/page'
import { exampleId } from '../example-ids'
import { caseKind } from '../kind'

/** What came back about a page, once each: a receipt that comes again changes nothing. */
export const pageReceipt = caseKind<ReceiptBody>({
  nature: 'additive',
  right: 'server',
  fold: (record, { at, body: { pageId, what, who } }): CaseRecord => ({
    ...record,
    pages: (record.pages ?? []).map((page) =>
      page.pageId === pageId && !page.receipts.some((receipt) => receipt.what === what)
        ? { ...page, receipts: [...page.receipts, { what, who, at }] }
        : page,
    ),
  }),
  example: { pageId: exampleId, what: 'answered', who: 'Wenna Trewin' },
})
