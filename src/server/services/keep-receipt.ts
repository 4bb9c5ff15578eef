import { createHmac, timingSafeEqual } from 'node:crypto'
import { signedText, type PagerReceipt } from '#contract/api/pager'
import { inTransaction } from '../db/in-transaction'
import type { AppendDeps } from '../ledger/writing'
import { lockCaseAndStay, writeForCase } from '../ledger/write-for-case'

/** In whose name the pager's doings are kept. */
export const pagerActor = { actor: 'pager', actorName: 'Pager' } as const

/** The signature of a receipt: HMAC with SHA-256 over its fields, in hexadecimal. */
export function signReceipt(receipt: PagerReceipt, secret: string): string {
  return createHmac('sha256', secret).update(signedText(receipt)).digest('hex')
}

/** Whether a receipt was signed with the secret. */
export function isSignedBy(receipt: PagerReceipt, signature: string, secret: string): boolean {
  const [given, own] = [Buffer.from(signature), Buffer.from(signReceipt(receipt, secret))]
  return given.length === own.length && timingSafeEqual(given, own)
}

/** Keeps what came back about a page in its case, once each. */
export function keepReceipt(
  deps: Pick<AppendDeps, 'db' | 'streams' | 'events' | 'clock'>,
  caseId: string,
  { pageId, what, who }: PagerReceipt,
): Promise<void> {
  return inTransaction(deps.db, async (transaction) => {
    const found = await lockCaseAndStay(deps.streams, caseId, transaction)
    const page = found?.locked.record.pages?.find((one) => one.pageId === pageId)
    if (!found || !page || page.receipts.some((receipt) => receipt.what === what)) return
    // By this server's clock: the pager's own may be anywhere.
    const at = new Date(deps.clock()).toISOString()
    await writeForCase(deps, found, 'page-receipt', { pageId, what, who }, { ...pagerActor, at, receivedAt: at }, transaction)
  })
}
