import { calledWords, type PageRecord, type ReceiptKind } from '#contract/records/page'
import { formatClock } from '../../parts/format-time'

const words: Readonly<Record<ReceiptKind, string>> = {
  delivered: 'delivered',
  read: 'read',
  answered: 'answered',
  refused: 'the pager could not bring it',
}

/** Who was paged about an alarm, when, and what came back. */
export function PageList({ pages }: { pages: readonly PageRecord[] }) {
  if (pages.length === 0) return null
  return (
    <ul aria-label="Paged" className="grid gap-0.5 text-sm">
      {pages.map((page) => (
        <li key={page.pageId} className="leading-snug">
          <span className="numeral text-soft">{formatClock(page.at)}</span> <span className="font-semibold">{calledWords(page)}</span>{' '}
          <span className="text-soft">
            {page.receipts.length === 0
              ? 'paged, nothing has come back'
              : page.receipts.map((receipt) => `${words[receipt.what]} ${formatClock(receipt.at)}`).join(', ')}
          </span>
        </li>
      ))}
    </ul>
  )
}
