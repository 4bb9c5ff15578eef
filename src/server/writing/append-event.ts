import { isDeepStrictEqual } from 'node:util'
import type { Transaction } from 'sequelize'
import type { EventInput, StoredEvent, StreamType } from '#contract/event'
import { findEventKind } from '#contract/events/index'
import { hasRight } from '#contract/rights'
import { ApiError, invalidInput } from '../ground/api-error'
import { inTransaction } from '../db/in-transaction'
import { findCaseRules } from '../kinds/find-rules'
import { admitTime } from '../ledger/admit-time'
import { foreignOf, isToOwnStay } from './own-stays'
import { createTurns } from './turns'
import { writeCaseEvent } from './write-case-event'
import { writeEpisodeEvent } from './write-episode-event'
import { isPlain, writePlainEvents } from './write-plain-events'
import { writePersonEvent, writePlaceEvent, writeWardEvent } from './write-own-event'
import { MovedOn, type Actor, type AppendDeps, type Writing } from '../ledger/writing'

const plannings = 3

/**
 * Appends one event and its snapshot in one transaction. The same event twice gives the first answer again; a replacing event made
 * from an older version is refused with both sides; an accepted plan is planned again, outside of any lock. `mark` is said of one that
 * stands though nobody confirms its author.
 */
export function createAppendService(deps: AppendDeps) {
  const turns = createTurns((writings: readonly Writing[]) =>
    inTransaction(deps.db, (transaction) => writePlainEvents(deps, writings, transaction)),
  )
  return async function append(input: EventInput, actor: Actor, mark?: 'unconfirmed'): Promise<StoredEvent> {
    await checkRight(deps, input, actor)
    const { prepare } = findCaseRules(input.kind) ?? {}
    // What may have come before is looked up first; of anything else a repeat shows when it is refused.
    if (input.queued === true || prepare) {
      const repeated = await deps.events.find(input.id)
      if (repeated) return answerRepeat(repeated, input)
    }
    for (let planned = 1; ; planned++) {
      try {
        const checked = prepare ? await prepare(deps, input) : null
        const receivedMs = deps.clock()
        const time = { ...admitTime(input, receivedMs), ...(mark ? { mark } : {}) }
        const writing = { input, actor, time, checked, receivedAt: new Date(receivedMs).toISOString() }
        const key = await keyOf(deps, input)
        if (isPlain(input)) return await turns.together(key, writing)
        return await turns.alone(key, () => inTransaction(deps.db, (transaction) => writers[input.stream.type](deps, writing, transaction)))
      } catch (error) {
        if (error instanceof MovedOn && planned < plannings) continue
        const first = await deps.events.find(input.id)
        if (first) return answerRepeat(first, input)
        if (error instanceof MovedOn || (error as Error).name === 'SequelizeUniqueConstraintError')
          throw new ApiError(409, 'stale', 'Somebody else wrote at the same moment: send it again.')
        throw error
      }
    }
  }
}

/** What is locked first, and so what has to be waited for: the stay for an event of a case. */
async function keyOf(deps: AppendDeps, { stream, body }: EventInput): Promise<string> {
  if (stream.type !== 'case') return stream.id
  return (await deps.streams.episodeOf(stream.id)) ?? (body as { episodeId?: string }).episodeId ?? stream.id
}

export type AppendEvent = ReturnType<typeof createAppendService>

type Writer = (deps: AppendDeps, writing: Writing, transaction: Transaction) => Promise<StoredEvent>
const writers: Readonly<Record<StreamType, Writer>> = {
  episode: writeEpisodeEvent,
  case: writeCaseEvent,
  place: writePlaceEvent,
  person: writePersonEvent,
  ward: writeWardEvent,
}

async function checkRight(deps: AppendDeps, input: EventInput, actor: Actor): Promise<void> {
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
  if (kind.right === 'server')
    throw new ApiError(403, 'no-right', `${input.kind} is written by the server alone: use what brings it about.`)
  const isAllowed =
    kind.right === 'self'
      ? input.stream.id === actor.id
      : hasRight(actor.roles, kind.right) || (kind.right === 'add' && (await isOwnAddition(deps, input, actor)))
  if (!isAllowed)
    throw new ApiError(403, 'no-right', `Your role (${actor.roles.join(', ')}) may not write ${input.kind}: ask a clinician or a lead.`)
}

/**
 * Whether somebody without an account adds to a stay that they began, and to nothing else.
 * @throws ApiError 403 naming what else it would touch
 */
async function isOwnAddition({ streams, events }: AppendDeps, input: EventInput, actor: Actor): Promise<boolean> {
  if (!hasRight(actor.roles, 'add-own') || !(await isToOwnStay(streams, actor, input))) return false
  // What was kept is answered again, whatever is known by now.
  const foreign = (await events.find(input.id)) ? null : await foreignOf(streams, actor, input)
  if (foreign === null) return true
  throw new ApiError(
    403,
    'no-right',
    `Without an account you write in the stay that you began, and not of ${foreign}: sign in, or open a new unknown patient.`,
  )
}

function answerRepeat(first: StoredEvent, input: EventInput): StoredEvent {
  const isSame = first.kind === input.kind && first.stream.id === input.stream.id && isSameBody(first, input)
  if (isSame) return first
  throw new ApiError(
    422,
    'same-id-other-body',
    'An event with this id but another content is already stored: give the new one its own id.',
    {
      errors: [{ code: 'format', path: 'id', message: 'This id is taken by another event: make a new one.' }],
    },
  )
}

/** What came from elsewhere is kept as the server copied it: what was sent is the rest. */
function isSameBody(first: StoredEvent, input: EventInput): boolean {
  const { asSent = (body: object) => body } = findEventKind(first.kind) ?? {}
  return isDeepStrictEqual(asSent(first.body as object), asSent(input.body as object))
}
