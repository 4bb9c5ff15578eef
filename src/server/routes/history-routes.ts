import type { Response, Router } from 'express'
import Joi from 'joi'
import { historyPageSize, type HistoryAnswer } from '#contract/api/history'
import { instant, uuid } from '#contract/field-schemas'
import type { Clock } from '../ground/clock'
import type { Guarded } from '../middleware/guard'
import { signedIn, type SignedInRequest } from '../middleware/session'
import { parseWith } from '../middleware/validate'
import type { HistoryCursor } from '../repositories/find-cases'
import type { StreamRepository } from '../repositories/streams'
import { maskLines, type CareTeam } from '../services/care-team'

const mostWords = 8

const querySchema = Joi.object({
  q: Joi.string().allow('').max(120).default(''),
  after: Joi.string()
    .max(90)
    .custom((value: string, helpers) => {
      const [openedAt, id] = value.split('~')
      const isGood = instant.validate(openedAt).error === undefined && uuid.validate(id).error === undefined
      return isGood ? { openedAt, id } : helpers.error('string.pattern.base')
    })
    .messages({ 'string.pattern.base': 'after is not the end of a page: take it from the answer before.' }),
})

/** Every case there was, found by words, the newest first. */
export function historyRoutes(
  { router, route }: Guarded,
  { streams, careTeam, clock }: { readonly streams: StreamRepository; readonly careTeam: CareTeam; readonly clock: Clock },
): Router {
  route('GET /api/history', async (request: SignedInRequest, response: Response<HistoryAnswer>) => {
    const { q, after } = parseWith<{ q: string; after?: HistoryCursor }>(querySchema, request.query)
    const { rows, next } = await streams.findCases(wordsOf(q), after ?? null, historyPageSize)
    response.json({
      rows: await maskLines(careTeam, signedIn(request).account, rows),
      next: next && `${next.openedAt}~${next.id}`,
      now: new Date(clock()).toISOString(),
    })
  })
  return router
}

/** The words of a query as the index reads them; hyphens and slashes stay inside of dates and numbers. */
function wordsOf(query: string): readonly string[] {
  const words = query.toLowerCase().split(/[^\p{L}\p{N}/-]+/u)
  return words
    .map((word) => word.replace(/^[-/]+|[-/]+$/g, ''))
    .filter(Boolean)
    .slice(0, mostWords)
}
