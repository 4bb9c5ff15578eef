import type { Request, Response, Router } from 'express'
import Joi from 'joi'
import type { PagerReceipt, WardAnswer } from '#contract/api/pager'
import { instant, text, uuid } from '#contract/field-schemas'
import { receiptKinds } from '#contract/records/page'
import { ApiError } from '../ground/api-error'
import type { PagerLine, PagerSender } from '../jobs/pager-sender'
import type { Guarded } from '../middleware/guard'
import { parseWith } from '../middleware/validate'
import type { PageRepository } from '../repositories/pages'
import type { StreamRepository } from '../repositories/streams'
import { isSignedBy, keepReceipt } from '../services/keep-receipt'
import type { AppendDeps } from '../ledger/writing'

const receiptSchema = Joi.object({
  pageId: uuid.required(),
  what: Joi.valid(...receiptKinds).required(),
  who: text(120).required(),
  at: instant.required(),
})

export interface PagerRouteDeps extends Pick<AppendDeps, 'db' | 'events' | 'streams' | 'clock'> {
  readonly reads: StreamRepository
  readonly pages: PageRepository
  readonly sender: PagerSender
  readonly line: PagerLine | null
}

/** What leads set for the ward, and what the pager says of its pages: signed, for it has no session. */
export function pagerRoutes({ router, route }: Guarded, { reads, pages, sender, line, ...deps }: PagerRouteDeps): Router {
  route('GET /api/ward', async (_request, response: Response<WardAnswer>) => {
    const { record, version } = await reads.findWard()
    response.json({ ward: record, version, pager: sender.state, now: new Date(deps.clock()).toISOString() })
  })
  route('POST /api/pager/receipts', async (request: Request, response) => {
    if (!line) throw new ApiError(404, 'not-found', 'No pager is set up here.')
    const receipt = parseWith<PagerReceipt>(receiptSchema, request.body)
    if (!isSignedBy(receipt, request.get('x-signature') ?? '', line.secret))
      throw new ApiError(403, 'no-right', 'The signature of this receipt does not hold: sign its fields with the secret of this pager.')
    const caseId = await pages.caseOf(receipt.pageId)
    if (caseId === null) throw new ApiError(404, 'not-found', 'There is no such page here.')
    await keepReceipt(deps, caseId, receipt)
    response.json({ kept: true })
  })
  return router
}
