import { onSinceMs } from '#ward/case/situation-of-case'
import type { Response, Router } from 'express'
import Joi from 'joi'
import { spoken } from '#core/model/vocabulary'
import type { RecallAnswer, RecalledCase } from '#contract/api/recall'
import type { Clock } from '../ground/clock'
import type { Guarded } from '../middleware/guard'
import { signedIn, type SignedInRequest } from '../middleware/session'
import { parseWith } from '../middleware/validate'
import type { StockRepository } from '../repositories/stock'
import type { StreamRepository } from '../repositories/streams'
import { maskLines, type CareTeam } from '../services/care-team'

const querySchema = Joi.object({ lot: Joi.string().trim().min(2).max(40).required() })

/** Which patients have or had a lot: by what was taken for them, by what people named as used, and by incidents that name it. */
export function recallRoutes(
  { router, route }: Guarded,
  { stock, streams, careTeam, clock }: { stock: StockRepository; streams: StreamRepository; careTeam: CareTeam; clock: Clock },
): Router {
  route('GET /api/recall', async (request: SignedInRequest, response: Response<RecallAnswer>) => {
    const { lot } = parseWith<{ lot: string }>(querySchema, request.query)
    const taken = await stock.takenOfLot(lot)
    const named = await streams.casesNamingLot(lot)
    const cases: RecalledCase[] = []
    for (const id of new Set([...taken.map((one) => one.caseId), ...named])) {
      const found = await streams.findWithLine(id)
      if (!found) continue
      const own = taken.filter((one) => one.caseId === id)
      const incident = found.record.incidents?.find((one) => one.lot === lot)
      const used = (found.record.lots ?? []).filter((one) => one.lots.includes(lot))
      const first = own[0] ?? used[0] ?? incident
      if (!first) continue
      cases.push({
        row: { ...found.board, live: null, search: '' },
        items: [...new Set([...own.map((one) => one.label), ...used.map((one) => spoken(one.item))])],
        at: first.at,
        by: first.by,
        isOn: onSinceMs(found.record) !== null && found.record.removedAt === null,
      })
    }
    // Whoever wears it comes first.
    cases.sort((a, b) => Number(b.isOn) - Number(a.isOn) || Date.parse(b.at) - Date.parse(a.at))
    const rows = await maskLines(
      careTeam,
      signedIn(request).account,
      cases.map((one) => one.row),
    )
    response.json({
      lot,
      cases: cases.map((one, index) => ({ ...one, row: rows[index] ?? one.row })),
      now: new Date(clock()).toISOString(),
    })
  })
  return router
}
