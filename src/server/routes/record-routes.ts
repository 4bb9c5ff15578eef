import type { Request, Response, Router } from 'express'
import Joi from 'joi'
import type { PeopleAnswer } from '#contract/api/people'
import type { CaseAnswer, EventAnswer, SealedAnswer } from '#contract/api/answers'
import type { BoardAnswer } from '#contract/views/board'
import { relatedCase, type RelatedAnswer } from '#contract/views/related-cases'
import type { EventInput, StoredEvent } from '#contract/event'
import { hasRight, isPairedDevice } from '#contract/rights'
import { findEventKind, type EventKindId } from '#contract/events/index'
import { sealedSchema } from '#contract/api/sign-in.schema'
import { eventBodySchemas, eventSchema } from '#contract/events/schemas'
import { uuid } from '#contract/field-schemas'
import { newestVersion, upcastBody } from '#contract/events/upcast'
import { ApiError } from '../ground/api-error'
import type { Clock } from '../ground/clock'
import type { PagerSender } from '../jobs/pager-sender'
import type { Guarded } from '../middleware/guard'
import { signedIn, type SignedInRequest } from '../middleware/session'
import { limitBody } from '../middleware/json-body'
import { parseWith } from '../middleware/validate'
import type { Countersigns } from '../repositories/countersigns'
import type { EventRepository } from '../repositories/events'
import type { PeopleRepository } from '../repositories/people'
import type { StreamRepository } from '../repositories/streams'
import { ownsStay } from '../writing/own-stays'
import type { AppendEvent } from '../writing/append-event'
import type { Metrics } from '../services/metrics'
import type { PlanNoter } from '../services/note-plan'
import type { DeviceKeyService } from '../people/device-keys'
import { openCase } from './open-case'

export interface RecordRouteDeps {
  readonly keys: DeviceKeyService
  readonly append: AppendEvent
  readonly metrics: Pick<Metrics, 'countEvent'> | null
  readonly noter: PlanNoter
  /** Reads on a pool of their own, so that a queue of writers never keeps a Board waiting. */
  readonly streams: StreamRepository
  readonly events: EventRepository
  readonly people: PeopleRepository
  readonly countersigns: Countersigns
  readonly pager: PagerSender
  readonly clock: Clock
}

const idSchema = Joi.object({ id: uuid.required() })
/** So much of anything that is not long. */
const mostBytes = 64 * 1024

/** Board, cases, episodes and the one way to change them: appending an event. */
export function recordRoutes(
  { router, route }: Guarded,
  { append, metrics, noter, pager, keys, streams, events, people, countersigns, clock }: RecordRouteDeps,
): Router {
  const now = (): string => new Date(clock()).toISOString()

  route('GET /api/board', async (request: SignedInRequest, response: Response<BoardAnswer>) => {
    const { account } = signedIn(request)
    const rows = await streams.liveBoardRows()
    // An emergency entry sees what was begun on its device, and nobody else.
    const seen = hasRight(account.roles, 'read') ? rows : rows.filter((row) => ownsStay(account, row))
    const toCountersign = hasRight(account.roles, 'decide') ? await countersigns.count() : undefined
    response.json({ rows: seen, ...(toCountersign === undefined ? {} : { toCountersign }), pager: pager.state, now: now() })
  })

  route('GET /api/cases/:id', async (request: SignedInRequest, response: Response<CaseAnswer>) => {
    const { id } = parseWith<{ id: string }>(idSchema, request.params)
    const { case: found, stay: episode } = await openCase(streams, id)
    const contains = await Promise.all([
      events.latestIds('case', id, found.version),
      events.latestIds('episode', episode.record.id, episode.version),
    ])
    response.json({
      record: found.record,
      version: found.version,
      episode: episode.record,
      episodeVersion: episode.version,
      contains: contains.flat(),
      now: now(),
    })
  })

  route('GET /api/cases/:id/related', async (request: SignedInRequest, response: Response<RelatedAnswer>) => {
    const { id } = parseWith<{ id: string }>(idSchema, request.params)
    const { record, episode } = await openCase(streams, id)
    const all = await streams.casesOfPatient(episode.patientId)
    const others = all.filter((one) => one.record.id !== id && one.record.ended?.how !== 'voided')
    response.json({ cases: others.map((other) => relatedCase(record, other.record, other.board)), now: now() })
  })

  route('GET /api/people', async (_request, response: Response<PeopleAnswer>) => {
    const all = (await people.list()).filter((one) => !isPairedDevice(one.roles))
    response.json({ people: all.map(({ id, name, roles }) => ({ id, name, roles })), now: now() })
  })

  route('POST /api/events', async (request: SignedInRequest, response: Response<EventAnswer>) => {
    response.json(answerTo(await append(readEvent(request.body, request), signedIn(request).account)))
  })

  // What somebody else entered on this device and could not send: it goes under their name, and nothing of it is told.
  route('POST /api/sealed-events', async (request: SignedInRequest, response: Response<SealedAnswer>) => {
    const { sealed } = parseWith<{ sealed: string }>(sealedSchema, request.body)
    const { personId, epoch, device, event } = await keys.open(Buffer.from(sealed, 'base64'))
    const author = await people.find(personId)
    if (!author) throw new ApiError(422, 'ticket-over', 'Its author is not known here any more.')
    if (author.epoch !== epoch)
      throw new ApiError(
        422,
        'ticket-over',
        'The access of its author was ended or reset since: they sign in on this device, or a lead looks at it.',
      )
    if (device && (await people.find(device.id))?.epoch !== device.epoch)
      throw new ApiError(422, 'ticket-over', 'This device was unpaired since: its author signs in on it, or a lead looks at it.')
    try {
      const { id } = answerTo(await append({ ...readEvent(event), queued: true }, author))
      response.json({ id })
    } catch (error) {
      if (error instanceof ApiError && error.status < 500)
        throw new ApiError(422, 'refused', 'The server does not take this entry: its author has to look at it.')
      throw error
    }
  })
  return router

  /** What was kept is acknowledged at once; what the core thinks of it follows, and whoever listens is told. */
  function answerTo(event: StoredEvent): EventAnswer {
    metrics?.countEvent(event.kind)
    const kind = findEventKind(event.kind)
    if (kind?.bearsOnPlan || kind?.ofCase) {
      if (event.stream.type === 'episode') noter.noteStay(event.stream.id)
      if (event.stream.type === 'case') noter.noteCase(event.stream.id)
    }
    return { id: event.id, version: event.version, receivedAt: event.receivedAt, ...(event.mark ? { mark: event.mark } : {}) }
  }
}

/**
 * An event as it came, brought to the newest form of its kind and checked against it.
 * @param request as it came, where its length tells that of the event
 */
function readEvent(body: unknown, request?: Request): EventInput {
  const sent = parseWith<EventInput>(eventSchema, body)
  const kind = sent.kind as EventKindId
  if (request && !findEventKind(kind)?.isLong) limitBody(request, mostBytes, 'shorten it, or enter it in parts')
  const newest = newestVersion(kind)
  if (sent.v > newest)
    throw new ApiError(
      422,
      'invalid',
      `This page is newer than the server knows (${kind} ${sent.v}): try again when the server is up to date.`,
      {
        errors: [{ code: 'format', path: 'v', message: `Version ${sent.v} of ${kind} is not known here: the newest is ${newest}.` }],
      },
    )
  const checked = parseWith(eventBodySchemas[kind], upcastBody(kind, sent.v, sent.body), ['body'])
  return { ...sent, v: newest, body: checked }
}
