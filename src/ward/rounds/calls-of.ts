import type { CallEntry } from '#core/model/response'
import type { CaseRecord } from '#contract/records/case'
import { calledWords, type PageRecord } from '#contract/records/page'
import type { Recorded } from '#contract/records/run'
import { decisionWords } from '#contract/records/decision-words'

/** Who is said to have recorded what the pager did. */
const pager = 'Pager'

/**
 * Every call about a case, in the order of time: those that people recorded, and the pages. A page that a person answered reached them; one
 * that went on to somebody else, or that could not be brought, did not; one that is still out is no call yet.
 */
export function callsOf(record: Pick<CaseRecord, 'calls' | 'pages'>): readonly (CallEntry & Recorded)[] {
  const pages = record.pages ?? []
  const paged = pages.flatMap((page, index) => callOfPage(page, pages.slice(index + 1)))
  return [...(record.calls ?? []), ...paged].sort((a, b) => Date.parse(a.at) - Date.parse(b.at))
}

/** Everybody who has heard of a case: whoever was called, and seniors who answered in words, which says that they were reached. */
export function heardOf(record: Pick<CaseRecord, 'calls' | 'pages' | 'seniorDecisions'>): readonly (CallEntry & Recorded)[] {
  const answered = (record.seniorDecisions ?? []).map((seniorDecision) => ({
    to: seniorDecision.by,
    isReached: true,
    how: seniorDecision.how === 'self' ? ('pager' as const) : seniorDecision.how,
    said: decisionWords(seniorDecision),
    at: seniorDecision.at,
    by: seniorDecision.enteredBy,
  }))
  return [...callsOf(record), ...answered].sort((a, b) => Date.parse(a.at) - Date.parse(b.at))
}

function callOfPage(page: PageRecord, later: readonly PageRecord[]): readonly (CallEntry & Recorded)[] {
  const answered = page.receipts.find((receipt) => receipt.what === 'answered')
  if (answered)
    return [
      { to: answered.who || calledWords(page), isReached: true, how: 'pager', said: 'answered the pager', at: answered.at, by: pager },
    ]
  const refused = page.receipts.find((receipt) => receipt.what === 'refused')
  const missed = { to: calledWords(page), isReached: false, how: 'pager', by: pager } as const
  if (refused) return [{ ...missed, said: 'the pager could not bring it', at: refused.at }]
  const next = later.find((one) => one.step !== page.step)
  return next ? [{ ...missed, said: 'did not answer the pager', at: next.at }] : []
}
