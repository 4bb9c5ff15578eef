import type { Transaction } from 'sequelize'
import type { EventInput, StoredEvent } from '#contract/event'
import { foldCase } from '#contract/events/fold'
import { findEventKind } from '#contract/events/index'
import type { CaseRecord } from '#contract/records/case'
import { ApiError } from '../ground/api-error'
import type { ChainedEvent } from '../repositories/events'
import { headOf, type StreamHead } from '../repositories/streams'
import { boardRowOf } from '../ledger/board-row'
import { checkCaseClaim } from '../kinds/check-case-claim'
import { findCaseRules } from '../kinds/find-rules'
import { awaitCountersign } from '../ledger/countersigning'
import { checkHead, chained, unchainedOf } from '../ledger/chain-event'
import type { AppendDeps, Writing } from '../ledger/writing'

/** Whether an event touches nothing but its case, so that it is kept together with others: the server completes nothing, and nothing follows. */
export function isPlain({ kind, stream }: Pick<EventInput, 'kind' | 'stream'>): boolean {
  if (stream.type !== 'case' || findEventKind(kind)?.nature !== 'additive') return false
  const { prepare, complete, after } = findCaseRules(kind) ?? {}
  return !prepare && !complete && !after
}

/**
 * Keeps plain events of any cases in one transaction, each as if it had come alone after the one before it: one that is refused leaves the
 * others as they are.
 * @returns for each what was kept, or why it was refused
 */
export async function writePlainEvents(
  deps: AppendDeps,
  writings: readonly Writing[],
  transaction: Transaction,
): Promise<readonly (StoredEvent | Error)[]> {
  const cases = await deps.streams.lockCases([...new Set(writings.map(({ input }) => input.stream.id))], transaction)
  const now = new Map([...cases].map(([id, { locked }]) => [id, { record: locked.record, head: headOf(locked) }]))
  const kept: (ChainedEvent & { readonly writing: Writing })[] = []
  const results = writings.map((writing): StoredEvent | Error => {
    const { id } = writing.input.stream
    const at = now.get(id) ?? null
    try {
      const next = nextOf(writing, at)
      now.set(id, next)
      kept.push({ ...next, writing })
      return next.event
    } catch (error) {
      if (error instanceof ApiError) return error
      throw error
    }
  })
  await deps.events.appendMany(kept, transaction)
  for (const { event, writing } of kept)
    await awaitCountersign(deps, event, writing.actor, cases.get(event.stream.id)?.episode.id ?? '', transaction)
  for (const [id, { locked, episode }] of cases) {
    const [after, last] = [now.get(id), kept.findLast(({ event }) => event.stream.id === id)]
    if (!after || !last) continue
    const board = boardRowOf(after.record, episode, locked.board.live ?? null, deps.clock())
    await deps.streams.saveCase(after.record, after.head, board, new Date(last.event.receivedAt), transaction)
  }
  return results
}

/** An event as the next of its case, and the case after it. @throws ApiError where it cannot be true of the case */
function nextOf(
  writing: Writing,
  at: { readonly record: CaseRecord; readonly head: StreamHead } | null,
): ChainedEvent & { readonly head: StreamHead; readonly record: CaseRecord } {
  const { input, actor, time } = writing
  checkHead(input, at?.head ?? headOf(null))
  if (!at) throw new ApiError(404, 'not-found', 'There is no case with this id: create it first.')
  const { isBeforeRemoval } = checkCaseClaim(
    { kind: input.kind, body: input.body as object, at: time.at, isQueued: input.queued === true },
    at.record,
    actor,
  )
  const next = chained(unchainedOf(writing, isBeforeRemoval ? { mark: time.mark ?? 'late' } : {}), at.head)
  return { ...next, record: foldCase(at.record, input.stream.id, next.event) }
}
