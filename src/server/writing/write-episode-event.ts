import type { Transaction } from 'sequelize'
import { foldEpisode } from '#contract/events/fold'
import type { BodyOf } from '#contract/events/index'
import type { SaidOfCase } from '#contract/events/kind'
import { ofCase } from '#contract/events/of-case'
import type { StoredEvent } from '#contract/event'
import { requireRight } from '../kinds/caused'
import { checkCaseClaim } from '../kinds/check-case-claim'
import { findCaseRules, findStayRules } from '../kinds/find-rules'
import type { Kept } from '../kinds/rules'
import { boardRowOf } from '../ledger/board-row'
import { awaitCountersign } from '../ledger/countersigning'
import { checkHead, appendToChain } from '../ledger/chain-event'
import { writeForCase, type LockedCase } from '../ledger/write-for-case'
import type { Actor, AppendDeps, Writing } from '../ledger/writing'
import { headOf } from '../repositories/streams'

/** Keeps an event of a stay, and brings the Board's line of each of its cases up to date from what is locked. */
export async function writeEpisodeEvent(deps: AppendDeps, writing: Writing, transaction: Transaction): Promise<StoredEvent> {
  const { input, actor } = writing
  const { id } = input.stream
  const before = await deps.streams.lockEpisode(id, transaction)
  checkHead(input, headOf(before))
  const cases = before ? await deps.streams.lockCasesOf(id, transaction) : []
  const rules = before && findStayRules(input.kind)
  const body = input.body as object
  const claim = { kind: input.kind, body, at: writing.time.at }
  if (before) rules?.check?.(claim, { stay: before.record, cases: cases.map(({ record }) => record), actor, nowMs: deps.clock() })
  const completed = before && (await rules?.complete?.(deps, body, before.record, transaction))
  const { event, head } = await appendToChain(deps, writing, headOf(before), transaction, completed ? { body: completed } : {})
  await awaitCountersign(deps, event, actor, id, transaction)
  await rules?.after?.(deps, event as Kept<object>, transaction)
  const episode = foldEpisode(before?.record ?? null, id, event)
  await deps.streams.saveEpisode(episode, head, new Date(event.receivedAt), transaction)
  for (const locked of cases) {
    const said = before && ofCase(event, before.record, locked.record)
    if (said) await writeSaid(deps, { locked, episode }, said, event, actor, transaction)
    else await deps.streams.saveBoardRow(locked.record.id, boardRowOf(locked.record, episode, locked.board.live, deps.clock()), transaction)
  }
  return event
}

/** Keeps what an event of a stay says of one of its cases, where whoever wrote it may say that of the case, with what follows from it. */
async function writeSaid(
  deps: AppendDeps,
  at: LockedCase,
  { kind, body }: SaidOfCase,
  cause: StoredEvent,
  actor: Actor,
  transaction: Transaction,
): Promise<void> {
  requireRight(actor, kind)
  checkCaseClaim({ kind, body, at: cause.at }, at.locked.record, actor)
  const { event, record } = await writeForCase(deps, at, kind, body as BodyOf<typeof kind>, cause, transaction)
  await awaitCountersign(deps, event, actor, at.episode.id, transaction)
  const kept = { actor, event: event as Kept<object>, before: at.locked.record, record, episode: at.episode }
  await findCaseRules(kind)?.after?.(deps, kept, transaction)
}
