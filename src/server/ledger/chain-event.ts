import type { Transaction } from 'sequelize'
import { v7 as uuidv7 } from 'uuid'
import type { EventInput, EventMark, StoredEvent } from '#contract/event'
import { findEventKind, type BodyOf, type EventKindId } from '#contract/events/index'
import { newestVersion } from '#contract/events/upcast'
import { ApiError } from '../ground/api-error'
import type { EventRepository, ChainedEvent } from '../repositories/events'
import type { StreamHead } from '../repositories/streams'
import { chainHash, newestRule } from './chain-hash'
import type { AppendDeps, Writing } from './writing'

/**
 * Refuses what cannot come next in a stream: opening what exists, writing to what does not, replacing what has changed meanwhile.
 * @param head where the stream stands, locked
 */
export function checkHead(input: EventInput, head: StreamHead): void {
  const { type } = input.stream
  const nature = findEventKind(input.kind)?.nature
  if (nature === 'opening' && head.version > 0)
    throw new ApiError(409, 'stale', `This ${type} already exists: open it instead of creating it.`)
  if (nature !== 'opening' && head.version === 0) throw new ApiError(404, 'not-found', `There is no ${type} with this id: create it first.`)
  checkBase(input, head)
}

/** Refuses what replaces something that has changed meanwhile. The answer says how far it has gone, never what it holds: that is read where rights are asked. */
export function checkBase(input: EventInput, head: StreamHead): void {
  if (findEventKind(input.kind)?.nature !== 'replacing' || input.base === head.version) return
  throw new ApiError(409, 'stale', 'Somebody changed this meanwhile: look at both, then send yours again if it still holds.', {
    yours: { kind: input.kind, body: input.body, base: input.base ?? null },
    current: { version: head.version },
  })
}

/** An event before it has its place in a stream. */
export type Unchained = Omit<StoredEvent, 'version'>

/** An event as the next of its stream, with where the chain stands after it: the only place where a chain grows. */
export function chained(unchained: Unchained, before: StreamHead): ChainedEvent & { readonly head: StreamHead } {
  const event: StoredEvent = { ...unchained, version: before.version + 1 }
  const hash = chainHash(before.headHash, event, newestRule)
  return { event, hash, rule: newestRule, head: { version: event.version, headHash: hash } }
}

/** Writes an event as the next of its stream. */
export async function appendNext(
  events: EventRepository,
  unchained: Unchained,
  head: StreamHead,
  transaction: Transaction,
): Promise<{ readonly event: StoredEvent; readonly head: StreamHead }> {
  const next = chained(unchained, head)
  await events.insert(next, transaction)
  return { event: next.event, head: next.head }
}

/** An event of the server's own making, in the name of whoever brought it about. */
export function ownEvent<Kind extends EventKindId>(
  stream: EventInput['stream'],
  kind: Kind,
  body: BodyOf<Kind>,
  by: Pick<StoredEvent, 'actor' | 'actorName' | 'receivedAt'>,
): Unchained {
  const { actor, actorName, receivedAt } = by
  return { id: uuidv7(), stream, kind, v: newestVersion(kind), body, at: receivedAt, offsetMs: 0, actor, actorName, receivedAt }
}

/** What somebody sent, before it has its place in its stream. @param changes what the server completes of it, or marks */
export function unchainedOf(
  { input, actor, receivedAt, time }: Writing,
  changes: { readonly body?: unknown; readonly mark?: EventMark },
): Unchained {
  return { ...input, ...time, ...changes, actor: actor.id, actorName: actor.name, receivedAt }
}

/** Writes what somebody sent as the next event of its stream. */
export function appendToChain(
  deps: Pick<AppendDeps, 'events'>,
  writing: Writing,
  head: StreamHead,
  transaction: Transaction,
  changes: { readonly body?: unknown; readonly mark?: EventMark } = {},
): Promise<{ readonly event: StoredEvent; readonly head: StreamHead }> {
  return appendNext(deps.events, unchainedOf(writing, changes), head, transaction)
}
