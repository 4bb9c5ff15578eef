import { Router, type Response } from 'express'
import Joi from 'joi'
import type { CaseAnswer } from '#contract/answers'
import type { BoardAnswer } from '#contract/board'
import type { EventInput } from '#contract/event'
import type { EventKindId } from '#contract/event-kinds'
import { eventBodySchemas, eventSchema } from '#contract/event-schemas'
import { ApiError } from '../api-error'
import type { Clock } from '../clock'
import { requireCsrf, requireSession, type SignedInRequest } from '../middleware/session'
import { parseWith } from '../middleware/validate'
import type { PeopleRepository } from '../repositories/people'
import type { StreamRepository } from '../repositories/streams'
import type { AppendEvent } from '../services/append-event'

export interface RecordRouteDeps {
  readonly append: AppendEvent
  readonly streams: StreamRepository
  readonly people: PeopleRepository
  readonly clock: Clock
}

const idSchema = Joi.object({ id: Joi.string().guid().required() })

/** Board, cases, episodes and the one way to change them: appending an event. */
export function recordRoutes({ append, streams, people, clock }: RecordRouteDeps): Router {
  const router = Router()
  const now = (): string => new Date(clock()).toISOString()

  router.get('/api/board', async (request: SignedInRequest, response: Response<BoardAnswer>) => {
    requireSession(request, 'read')
    response.json({ rows: await streams.liveBoardRows(), now: now() })
  })

  router.get('/api/cases/:id', async (request: SignedInRequest, response: Response<CaseAnswer>) => {
    requireSession(request, 'read')
    const { id } = parseWith<{ id: string }>(idSchema, request.params)
    const found = await streams.findCase(id)
    const episode = found && (await streams.findEpisode(found.record.episodeId))
    if (!found || !episode) throw new ApiError(404, 'not-found', 'There is no case with this id: look on the Board.')
    response.json({ record: found.record, version: found.version, episode: episode.record, episodeVersion: episode.version, now: now() })
  })

  router.get('/api/people', async (request: SignedInRequest, response) => {
    requireSession(request)
    const all = await people.list()
    response.json({ people: all.map(({ id, name, roles }) => ({ id, name, roles })) })
  })

  router.post('/api/events', async (request: SignedInRequest, response) => {
    const session = requireSession(request)
    requireCsrf(request, session)
    const event = parseWith<EventInput>(eventSchema, request.body)
    const body = parseWith(eventBodySchemas[event.kind as EventKindId], event.body, ['body'])
    response.json(await append({ ...event, body }, session.account))
  })
  return router
}
