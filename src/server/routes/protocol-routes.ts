import type { Response, Router } from 'express'
import Joi from 'joi'
import type { CaseEffect, EffectsAnswer } from '#contract/api/protocols'
import { protocolOf } from '#contract/records/case'
import { protocolInForce, protocolName } from '#contract/records/protocol'
import { ApiError } from '../ground/api-error'
import type { Clock } from '../ground/clock'
import type { Guarded } from '../middleware/guard'
import { signedIn, type SignedInRequest } from '../middleware/session'
import { parseWith } from '../middleware/validate'
import type { Planner } from '../planning/planner'
import type { StreamRepository } from '../repositories/streams'
import { maskLines, type CareTeam } from '../services/care-team'

const querySchema = Joi.object({ of: Joi.valid('draft', 'in-force').default('in-force') })
/** Cases that one thread compares at a time. */
const atATime = 25

/** What a local protocol would change: the draft, or the one in force for cases that go by an older one. */
export function protocolRoutes(
  { router, route }: Guarded,
  { streams, planner, careTeam, clock }: { streams: StreamRepository; planner: Planner; careTeam: CareTeam; clock: Clock },
): Router {
  route('GET /api/protocols/effects', async (request: SignedInRequest, response: Response<EffectsAnswer>) => {
    const { of } = parseWith<{ of: 'draft' | 'in-force' }>(querySchema, request.query)
    const { record: ward } = await streams.findWard()
    const to = of === 'draft' ? ward.draft?.protocol : protocolInForce(ward)
    if (!to) throw new ApiError(404, 'not-found', 'There is no draft: write one first.')
    const live = (await streams.liveBoardRows()).filter((row) => !row.isOff && !row.ended)
    const rows = await maskLines(careTeam, signedIn(request).account, live)
    const cases: CaseEffect[] = []
    for (let from = 0; from < rows.length; from += atATime) {
      const some = rows.slice(from, from + atATime)
      const pairs = await Promise.all(
        some.map(async (row) => {
          const [snapshot, episode] = await Promise.all([streams.findCase(row.caseId), streams.findEpisode(row.episodeId)])
          return snapshot && episode ? [{ row, record: snapshot.record, caseVersion: snapshot.version, episode: episode.record }] : []
        }),
      )
      const found = pairs.flat()
      const words = await planner.protocolEffects(
        found.map(({ record, episode }) => ({ record, episode })),
        to,
      )
      found.forEach(({ row, record, caseVersion }, index) => {
        const { caseId, patient, place, techniqueName } = row
        cases.push({
          caseId,
          patient,
          place,
          techniqueName,
          from: protocolName(protocolOf(record)),
          caseVersion,
          words: words[index] ?? [],
        })
      })
    }
    response.json({ cases, now: new Date(clock()).toISOString() })
  })
  return router
}
