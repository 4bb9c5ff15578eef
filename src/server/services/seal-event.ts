import type { Transaction } from 'sequelize'
import type { EventInput, EventMark, StoredEvent } from '#contract/event'
import { findEventKind } from '#contract/events/index'
import { ApiError } from '../ground/api-error'
import type { StreamHead } from '../repositories/streams'
import type { AppendDeps, Writing } from './writing'

/**
 * Refuses what cannot come next in a stream: opening what exists, writing to what does not, replacing what has changed meanwhile.
 * @param head where the stream stands, locked
 * @param current what it holds, for the answer to a stale one
 */
export function checkHead(input: EventInput, head: StreamHead, current: unknown): void {
  const { type } = input.stream
  const nature = findEventKind(input.kind)?.nature
  if (nature === 'opening' && head.version > 0)
    throw new ApiError(409, 'stale', `This ${type} already exists: open it instead of creating it.`)
  if (nature !== 'opening' && head.version === 0) throw new ApiError(404, 'not-found', `There is no ${type} with this id: create it first.`)
  if (nature !== 'replacing' || input.base === head.version) return
  throw new ApiError(409, 'stale', 'Somebody changed this meanwhile: look at both, then send yours again if it still holds.', {
    yours: { kind: input.kind, body: input.body, base: input.base ?? null },
    current: { version: head.version, record: current },
  })
}

/** Writes an event as the next of its stream. */
export async function sealEvent(
  deps: AppendDeps,
  { input, actor, receivedAt, time }: Writing,
  head: StreamHead,
  transaction: Transaction,
  changes: { readonly body?: unknown; readonly mark?: EventMark } = {},
): Promise<{ readonly event: StoredEvent; readonly head: StreamHead }> {
  const event: StoredEvent = {
    ...input,
    ...time,
    ...changes,
    actor: actor.id,
    actorName: actor.name,
    version: head.version + 1,
    receivedAt,
  }
  const headHash = await deps.events.insert(event, head.headHash, transaction)
  return { event, head: { version: event.version, headHash } }
}
