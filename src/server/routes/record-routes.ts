import type { Response, Router } from 'express'
import Joi from 'joi'
import type { PeopleAnswer } from '#contract/api/people'
import type { CaseAnswer, EventAnswer } from '#contract/api/answers'
import { calleesFor } from '#ward/standing/escalation'
import type { BoardAnswer, UrgentAnswer } from '#contract/api/board'
import { hearsAlarm } from '#ward/standing/hears-alarm'
import { relatedCase, type RelatedAnswer } from '#ward/rounds/related-cases'
import { hasRight, isPairedDevice, mayStandIn } from '#contract/rights'
import { uuid } from '#contract/field-schemas'
import type { Clock } from '../ground/clock'
import type { PagerSender } from '../jobs/pager-sender'
import type { Guarded } from '../middleware/guard'
import { signedIn, type SignedInRequest } from '../middleware/session'
import { parseWith } from '../middleware/validate'
import type { Countersigns } from '../repositories/countersigns'
import type { EventRepository } from '../repositories/events'
import type { PeopleRepository } from '../repositories/people'
import type { StreamRepository } from '../repositories/streams'
import { lookOf } from '../people/look-of-name'
import { ownsStay } from '../writing/own-stays'
import { admitCopies } from '../services/admit-copies'
import type { AppendEvent } from '../writing/append-event'
import type { Acknowledge } from '../services/acknowledge-event'
import { maskLines, type CareTeam } from '../services/care-team'
import type { HeldEntries } from '../repositories/held-entries'
import { openCase } from './open-case'
import { readEvent } from './read-event'

export interface RecordRouteDeps {
  readonly append: AppendEvent
  readonly acknowledge: Acknowledge
  /** Reads on a pool of their own, so that a queue of writers never keeps a Board waiting. */
  readonly streams: StreamRepository
  readonly events: EventRepository
  readonly people: PeopleRepository
  readonly countersigns: Countersigns
  readonly held: HeldEntries
  readonly pager: PagerSender
  readonly careTeam: CareTeam
  readonly clock: Clock
}

const idSchema = Joi.object({ id: uuid.required() })

/** Board, cases, episodes and the one way to change them: appending an event. */
export function recordRoutes(
  { router, route }: Guarded,
  { append, acknowledge, pager, streams, events, people, countersigns, held, careTeam, clock }: RecordRouteDeps,
): Router {
  const now = (): string => new Date(clock()).toISOString()

  route('GET /api/board', async (request: SignedInRequest, response: Response<BoardAnswer>) => {
    const { account } = signedIn(request)
    const rows = await streams.liveBoardRows()
    // An emergency entry sees what was begun on its device, and nobody else.
    const seen = hasRight(account.roles, 'read') ? rows : rows.filter((row) => ownsStay(account, row, clock()))
    const toCountersign = hasRight(account.roles, 'decide')
      ? { toCountersign: await countersigns.count({ id: account.id, standsIn: mayStandIn(account.roles) }) }
      : {}
    const toSettle = hasRight(account.roles, 'move') ? { toSettle: await held.count() } : {}
    const lines = await maskLines(careTeam, account, seen)
    response.json({ rows: lines, ...toCountersign, ...toSettle, pager: pager.state, now: now() })
  })

  route('GET /api/urgent', async (request: SignedInRequest, response: Response<UrgentAnswer>) => {
    const { account } = signedIn(request)
    const rows = await streams.liveBoardRows()
    const seen = hasRight(account.roles, 'read') ? rows : rows.filter((row) => ownsStay(account, row, clock()))
    const urgent = seen.filter((row) => row.level === 'urgent' && !row.answer?.at && hearsAlarm(row, account.roles))
    response.json({ urgent: urgent.map(({ caseId, sinceAt }) => ({ caseId, sinceAt })), now: now() })
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
      callees: calleesFor((await streams.findWard()).record, episode.record, clock()),
      hasPager: pager.state !== null,
      now: now(),
    })
  })

  route('GET /api/cases/:id/related', async (request: SignedInRequest, response: Response<RelatedAnswer>) => {
    const { id } = parseWith<{ id: string }>(idSchema, request.params)
    const { record, episode } = await openCase(streams, id)
    const all = await streams.casesOfPatient(episode.patientId)
    const others = all.filter((one) => one.record.id !== id && one.record.ended?.how !== 'voided')
    // Of a stay that somebody is outside of they are told that there is one.
    const stays = others.map((one) => one.board.episodeId).filter((stay) => stay !== episode.id)
    const shut = await careTeam.shut(signedIn(request).account, stays)
    const seen = others.filter((one) => !shut.has(one.board.episodeId))
    response.json({
      cases: seen.map((other) => relatedCase(record, other.record, other.board)),
      shut: others.length - seen.length,
      now: now(),
    })
  })

  route('GET /api/people', async (request: SignedInRequest, response: Response<PeopleAnswer>) => {
    // Without an account only those are named who are on.
    const seen = isPairedDevice(signedIn(request).account.roles) ? await people.listOn(new Date(clock())) : await people.list()
    const all = seen.filter((account) => !isPairedDevice(account.roles))
    // Two of one name are told apart by what they sign in as.
    const isShared = (name: string): boolean => all.filter((account) => lookOf(account.name) === lookOf(name)).length > 1
    response.json({
      people: all.map(({ id, name, signIn, roles }) => ({ id, name: isShared(name) ? `${name} (${signIn})` : name, roles })),
      now: now(),
    })
  })

  route('POST /api/events', async (request: SignedInRequest, response: Response<EventAnswer>) => {
    const { account } = signedIn(request)
    const event = readEvent(request.body, request)
    await admitCopies({ careTeam, streams }, event, account)
    response.json(acknowledge(await append(event, account)))
  })

  return router
}
