import { isDeepStrictEqual } from 'node:util'
import type { Sequelize, Transaction } from 'sequelize'
import { isMalformed, type Problem } from '#core/case/problem'
import type { Plan } from '#core/plan/plan'
import type { EventAnswer } from '#contract/answers'
import { foldCase, type CaseOpenedBody } from '#contract/case-record'
import { toClinicalCase } from '#contract/clinical-case'
import { foldEpisode } from '#contract/episode-record'
import type { EventInput, StoredEvent } from '#contract/event'
import { findEventKind } from '#contract/event-kinds'
import { hasRight } from '#contract/rights'
import type { PersonSettings } from '#contract/session'
import { ApiError, invalidInput } from '../api-error'
import type { Clock } from '../clock'
import type { Planner } from '../planning/planner'
import type { EventRepository } from '../repositories/events'
import type { Account, PeopleRepository } from '../repositories/people'
import type { StockRepository } from '../repositories/stock'
import type { StreamHead, StreamRepository } from '../repositories/streams'
import { boardRowOf } from './board-row'
import { moveStock, releaseCase } from './move-stock'
import { isSamePlan } from './same-plan'

export type Actor = Pick<Account, 'id' | 'name' | 'roles'>

export interface AppendDeps {
  readonly db: Sequelize
  readonly events: EventRepository
  readonly streams: StreamRepository
  readonly people: PeopleRepository
  readonly stock: StockRepository
  readonly planner: Planner
  readonly clock: Clock
}

/**
 * Appends one event and its snapshot in one transaction. The same event twice gives the first answer again;
 * a replacing event made from an older version is refused with both sides; an accepted plan is planned again.
 */
export function createAppendService(deps: AppendDeps) {
  return async function append(input: EventInput, actor: Actor): Promise<EventAnswer> {
    checkRight(input, actor)
    const repeated = await deps.events.find(input.id)
    if (repeated) return answerRepeat(repeated, input)
    if (input.kind === 'plan') await checkPlan(deps, input)
    try {
      return await deps.db.transaction((transaction) => appendInside(deps, input, actor, transaction))
    } catch (error) {
      if ((error as Error).name !== 'SequelizeUniqueConstraintError') throw error
      const first = await deps.events.find(input.id)
      if (first) return answerRepeat(first, input)
      throw new ApiError(409, 'stale', 'Somebody else wrote at the same moment: send it again.')
    }
  }
}

export type AppendEvent = ReturnType<typeof createAppendService>

function checkRight(input: EventInput, actor: Actor): void {
  const kind = findEventKind(input.kind)
  if (!kind || kind.stream !== input.stream.type) {
    throw invalidInput([
      {
        code: 'format',
        path: 'stream/type',
        message: `${input.kind} does not belong to a stream of type ${input.stream.type}: use ${kind?.stream ?? 'another kind'}.`,
      },
    ])
  }
  const isAllowed = kind.right === 'self' ? input.stream.id === actor.id : hasRight(actor.roles, kind.right)
  if (!isAllowed)
    throw new ApiError(403, 'no-right', `Your role (${actor.roles.join(', ')}) may not write ${input.kind}: ask a clinician or a lead.`)
}

function answerRepeat(first: StoredEvent, input: EventInput): EventAnswer {
  const isSame = first.kind === input.kind && first.stream.id === input.stream.id && isDeepStrictEqual(first.body, input.body)
  if (!isSame) {
    throw new ApiError(
      422,
      'same-id-other-body',
      'An event with this id but another content is already stored: give the new one its own id.',
      {
        errors: [{ code: 'format', path: 'id', message: 'This id is taken by another event: make a new one.' }],
      },
    )
  }
  return { id: first.id, version: first.version, receivedAt: first.receivedAt, problems: [], cautions: [] }
}

async function appendInside(deps: AppendDeps, input: EventInput, actor: Actor, transaction: Transaction): Promise<EventAnswer> {
  const { type, id } = input.stream
  const kind = findEventKind(input.kind)
  const head = await deps.streams.lockHead(type, id, transaction)
  if (kind?.nature === 'opening' ? head.version > 0 : head.version === 0) {
    throw kind?.nature === 'opening'
      ? new ApiError(409, 'stale', `This ${type} already exists: open it instead of creating it.`)
      : new ApiError(404, 'not-found', `There is no ${type} with this id: create it first.`)
  }
  if (kind?.nature === 'replacing' && input.base !== head.version) await refuseStale(deps, input, head, transaction)
  const event: StoredEvent = {
    ...input,
    actor: actor.id,
    actorName: actor.name,
    version: head.version + 1,
    receivedAt: new Date(deps.clock()).toISOString(),
  }
  const headHash = await deps.events.insert(event, head.headHash, transaction)
  const doubts = await saveSnapshot(deps, event, { version: event.version, headHash }, transaction)
  return { id: event.id, version: event.version, receivedAt: event.receivedAt, ...doubts }
}

async function refuseStale(deps: AppendDeps, input: EventInput, head: StreamHead, transaction: Transaction): Promise<void> {
  const { type, id } = input.stream
  const current =
    type === 'case'
      ? await deps.streams.findCase(id, transaction)
      : type === 'episode'
        ? await deps.streams.findEpisode(id, transaction)
        : null
  throw new ApiError(409, 'stale', 'Somebody changed this meanwhile: look at both, then send yours again if it still holds.', {
    yours: { kind: input.kind, body: input.body, base: input.base ?? null },
    current: { version: head.version, record: current?.record ?? null },
  })
}

type Doubts = Pick<EventAnswer, 'problems' | 'cautions'>
const noDoubts: Doubts = { problems: [], cautions: [] }

async function saveSnapshot(deps: AppendDeps, event: StoredEvent, head: StreamHead, transaction: Transaction): Promise<Doubts> {
  const now = new Date(event.receivedAt)
  const { type, id } = event.stream
  if (type === 'place') {
    await moveStock(deps.stock, event, transaction)
    await deps.stock.saveHead(id, head, transaction)
    return noDoubts
  }
  if (type === 'person') {
    await deps.people.saveSettings(id, event.body as PersonSettings, head, transaction)
    return noDoubts
  }
  if (type === 'episode') {
    const before = await deps.streams.findEpisode(id, transaction)
    const episode = foldEpisode(before?.record ?? null, id, event)
    await deps.streams.saveEpisode(episode, head, now, transaction)
    for (const one of await deps.streams.findCasesOf(id, transaction)) {
      await deps.streams.saveBoardRow(one.record.id, boardRowOf(one.record, episode), transaction)
    }
    return noDoubts
  }
  const before = await deps.streams.findCase(id, transaction)
  if ((event.kind === 'technique' || event.kind === 'plan-dropped') && (before?.record.runs.length ?? 0) > 0) {
    throw invalidInput([
      {
        code: 'format',
        path: event.kind === 'technique' ? 'body/technique' : 'kind',
        message: 'The application has begun: finish it, or open a new case for what is to be done instead.',
      },
    ])
  }
  const record = foldCase(before?.record ?? null, id, event)
  const episodeId = event.kind === 'case-opened' ? (event.body as CaseOpenedBody).episodeId : record.episodeId
  const episode = await deps.streams.findEpisode(episodeId, transaction)
  if (!episode) throw new ApiError(404, 'not-found', 'The stay that this case belongs to is not known: open the stay first.')
  await deps.streams.saveCase(record, head, boardRowOf(record, episode.record), now, transaction)
  const isDropped = before?.record.accepted != null && record.accepted === null
  if (isDropped || event.kind === 'removed') await releaseCase(deps.stock, event, transaction)
  const plan = deps.planner.planNow(toClinicalCase(record, episode.record))
  if (!plan) return noDoubts
  const malformed = plan.problems.filter(isMalformed)
  if (event.kind === 'options' && malformed.length > 0) throw invalidInput(malformed)
  return { problems: plan.problems, cautions: plan.cautions }
}

/** Plans again on the server; a plan that is unfinished or differs is refused with both. */
async function checkPlan(deps: AppendDeps, input: EventInput): Promise<void> {
  const proposed = (input.body as { plan: Plan }).plan
  if (proposed.pending.length > 0) {
    throw new ApiError(422, 'pending-plan', 'The plan is still being worked out: wait for its last figures, then accept it.', {
      errors: [{ code: 'format', path: 'body/plan/pending', message: 'Figures are still pending: wait for them.' } satisfies Problem],
    })
  }
  const found = await deps.streams.findCase(input.stream.id)
  if (!found) throw new ApiError(404, 'not-found', 'There is no case with this id: create it first.')
  const episode = await deps.streams.findEpisode(found.record.episodeId)
  if (!episode) throw new ApiError(404, 'not-found', 'The stay of this case is not known.')
  if (input.base !== found.version) return
  const own = await deps.planner.planWhole(toClinicalCase(found.record, episode.record))
  const plain = JSON.parse(JSON.stringify(own)) as Plan
  if (isSamePlan(plain, proposed)) return
  throw new ApiError(409, 'plan-differs', 'The server plans this case differently: reload it and look at the plan again.', {
    yours: proposed,
    current: plain,
  })
}
