import type { Transaction } from 'sequelize'
import type { CaseOpenedBody } from '#contract/events/case/case-opened'
import { findEventKind } from '#contract/events/index'
import type { StoredEvent } from '#contract/event'
import type { EpisodeRecord } from '#contract/records/episode'
import { ApiError } from '../ground/api-error'
import { checkCaseClaim } from '../kinds/check-case-claim'
import { findCaseRules } from '../kinds/find-rules'
import type { Kept } from '../kinds/rules'
import { awaitCountersign } from '../ledger/countersigning'
import { checkHead, appendToChain } from '../ledger/chain-event'
import { keepCaseEvent } from '../ledger/keep-case-event'
import { MovedOn, type AppendDeps, type Writing } from '../ledger/writing'
import { headOf, type Snapshot } from '../repositories/streams'

/** Keeps an event of a case: its stay is locked first, then the case, then the places that it takes from. */
export async function writeCaseEvent(deps: AppendDeps, writing: Writing, transaction: Transaction): Promise<StoredEvent> {
  const { input, actor, checked } = writing
  const { id } = input.stream
  const rules = findCaseRules(input.kind)
  const body = input.body as object
  const episode = await lockEpisodeOf(deps, writing, transaction)
  const before = await deps.streams.lockCase(id, transaction)
  checkHead(input, headOf(before))
  if (!episode) throw new ApiError(404, 'not-found', 'The stay that this case belongs to is not known: open the stay first.')
  if (checked && (before?.version !== checked.caseVersion || episode.version !== checked.episodeVersion)) throw new MovedOn()

  const claim = { kind: input.kind, body, at: writing.time.at, isQueued: input.queued === true }
  const isBeforeRemoval = before ? checkCaseClaim(claim, before.record, actor).isBeforeRemoval : false
  const completed = await rules?.complete?.(deps, body, { id, before: before?.record ?? null, episode: episode.record }, transaction)
  const { event, head } = await appendToChain(deps, writing, headOf(before), transaction, {
    ...(completed ? { body: completed } : {}),
    ...(isBeforeRemoval ? { mark: writing.time.mark ?? 'late' } : {}),
  })
  await awaitCountersign(deps, event, actor, episode.record.id, transaction)
  const record = await keepCaseEvent(deps, before, episode.record, { event, head }, transaction)
  const kept = { actor, event: event as Kept<object>, before: before?.record ?? null, record, episode: episode.record }
  await rules?.after?.(deps, kept, transaction)
  return event
}

/** The stay of a case, locked; a case that is being opened names it. */
async function lockEpisodeOf(deps: AppendDeps, { input }: Writing, transaction: Transaction): Promise<Snapshot<EpisodeRecord> | null> {
  const { episodeId } = input.body as Partial<CaseOpenedBody>
  const known =
    (await deps.streams.episodeOf(input.stream.id, transaction)) ??
    (findEventKind(input.kind)?.nature === 'opening' ? episodeId : undefined)
  return known === undefined ? null : deps.streams.lockEpisode(known, transaction)
}
