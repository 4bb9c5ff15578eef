import type { Transaction } from 'sequelize'
import { type CaseRecord, type CaseStore } from '#contract/records/case'
import { foldCase } from '#contract/events/fold'
import type { CaseOpenedBody } from '#contract/events/case-opened'
import type { CarriedInBody } from '#contract/events/carried-in'
import type { MovedInBody } from '#contract/events/moved-in'
import type { ProtocolBody } from '#contract/events/protocol'
import type { MovedOutBody } from '#contract/events/moved-out'
import type { StoredEvent } from '#contract/event'
import { ApiError, invalidInput } from '../ground/api-error'
import { headOf, type Snapshot } from '../repositories/streams'
import type { EpisodeRecord } from '#contract/records/episode'
import { reservePlan } from './accept-plan'
import { MovedOn, type AppendDeps, type Writing } from './writing'
import { boardRowOf } from './board-row'
import { checkCaseClaim } from './case-claims'
import { copyCarriedReadings, endReplaced } from './converted-case'
import { checkKnownProtocol, protocolOfNewCase } from './protocol-claims'
import { copyMovedReading } from './moved-reading'
import { awaitCountersign } from './countersigning'
import { checkHead, sealEvent } from './seal-event'
import { settleReservations } from './settle-reservations'
import { writeForCase } from './write-for-case'

/** Keeps an event of a case: its stay is locked first, then the case, then the places that it takes from. */
export async function writeCaseEvent(deps: AppendDeps, writing: Writing, transaction: Transaction): Promise<StoredEvent> {
  const { input, actor, checked } = writing
  const { id } = input.stream
  const opening = input.kind === 'case-opened' ? (input.body as CaseOpenedBody) : null
  const episode = await lockEpisodeOf(deps, id, opening, transaction)
  const before = await deps.streams.lockCase(id, transaction)
  checkHead(input, headOf(before), before?.record ?? null)
  if (!episode) throw new ApiError(404, 'not-found', 'The stay that this case belongs to is not known: open the stay first.')
  if (checked && (before?.version !== checked.caseVersion || episode.version !== checked.episodeVersion)) throw new MovedOn()

  const claim = { kind: input.kind, body: input.body, at: writing.time.at }
  const isBeforeRemoval = before ? checkCaseClaim(claim, before.record, actor).isBeforeRemoval : false
  if (opening) await checkRelatives(deps, opening, episode.record, transaction)
  await checkNamed(deps, input.kind, input.body, transaction)

  const { event, head } = await sealEvent(deps, writing, headOf(before), transaction, {
    ...(opening ? { body: await completeOpening(deps, opening, transaction) } : {}),
    ...(input.kind === 'moved-in' ? { body: await withMovedReading(deps, id, input.body as MovedInBody, transaction) } : {}),
    ...(input.kind === 'carried-in' && before
      ? { body: await copyCarriedReadings(deps.streams, before.record, input.body as CarriedInBody, transaction) }
      : {}),
    ...(isBeforeRemoval ? { mark: writing.time.mark ?? 'late' } : {}),
  })
  await awaitCountersign(deps, event, actor, episode.record.id, transaction)
  const record = foldCase(before?.record ?? null, id, event)
  const board = boardRowOf(record, episode.record, before?.board.live ?? null, deps.clock())
  await deps.streams.saveCase(record, head, board, new Date(event.receivedAt), transaction)
  if (event.kind === 'applied') await endReplaced(deps, event, record, episode.record, transaction)
  const gone = await settleStock(deps, event, before, record, transaction)
  if (gone.length > 0 && record.store) {
    const locked = { locked: { record, ...head, board }, episode: episode.record }
    await writeForCase(
      deps,
      locked,
      'stock-gone',
      { place: record.store.placeName, items: gone },
      { ...event, at: event.receivedAt },
      transaction,
    )
  }
  return event
}

async function lockEpisodeOf(
  deps: AppendDeps,
  caseId: string,
  opening: CaseOpenedBody | null,
  transaction: Transaction,
): Promise<Snapshot<EpisodeRecord> | null> {
  const episodeId = (await deps.streams.episodeOf(caseId, transaction)) ?? opening?.episodeId
  return episodeId === undefined ? null : deps.streams.lockEpisode(episodeId, transaction)
}

/** A case as it is opened: with the protocol in force, and with what the device is that it replaces. */
async function completeOpening(deps: AppendDeps, opening: CaseOpenedBody, transaction: Transaction): Promise<CaseOpenedBody> {
  const old = opening.replaces === undefined ? null : await deps.streams.findCase(opening.replaces, transaction)
  const isOn = old !== null && old.record.appliedAt !== null && old.record.removedAt === null
  const { oldTechnique: _, ...rest } = opening
  return {
    ...rest,
    ...(isOn ? { oldTechnique: old.record.technique } : {}),
    ...(await protocolOfNewCase(deps.streams, opening.protocol, transaction)),
  }
}

/** Cases that a new one replaces, or is worn with, are the same patient's. */
async function checkRelatives(deps: AppendDeps, opening: CaseOpenedBody, episode: EpisodeRecord, transaction: Transaction): Promise<void> {
  for (const [path, id] of [
    ...(opening.replaces ? [['body/replaces', opening.replaces] as const] : []),
    ...(opening.with ?? []).map((one, index) => [`body/with/${index}`, one] as const),
  ]) {
    const named = await deps.streams.findCase(id, transaction)
    const stay = named && (await deps.streams.findEpisode(named.record.episodeId, transaction))
    if (stay?.record.patientId === episode.patientId) continue
    throw invalidInput([{ code: 'not-known', path, message: `There is no case ${id} of this patient: name one of this patient's cases.` }])
  }
}

/** Places, cases and protocols that an event names exist. */
async function checkNamed(deps: AppendDeps, kind: string, body: unknown, transaction: Transaction): Promise<void> {
  if (kind === 'protocol') checkKnownProtocol((body as ProtocolBody).protocol, (await deps.streams.findWard(transaction)).record)
  if (kind === 'store' && !(await deps.stock.findPlace((body as CaseStore).placeId, transaction))) {
    throw invalidInput([{ code: 'not-known', path: 'body/placeId', message: 'There is no such place: choose one from the list.' }])
  }
  if (kind === 'moved-out' && !(await deps.streams.findCase((body as MovedOutBody).toCase, transaction))) {
    throw invalidInput([{ code: 'not-known', path: 'body/toCase', message: 'There is no such case: look it up on the Board.' }])
  }
}

async function withMovedReading(deps: AppendDeps, caseId: string, body: MovedInBody, transaction: Transaction): Promise<MovedInBody> {
  const { key, fromCase, reason } = body
  return { key, fromCase, reason, measurement: await copyMovedReading(deps.events, caseId, body, transaction) }
}

/** Sets aside what an accepted plan needs; lets go of it when the plan is dropped or the device is off. @returns what is gone, in words */
async function settleStock(
  deps: AppendDeps,
  event: StoredEvent,
  before: Snapshot<CaseRecord> | null,
  record: CaseRecord,
  transaction: Transaction,
): Promise<readonly string[]> {
  if (event.kind === 'plan') return reservePlan(deps, event, record, transaction)
  const isDropped = before?.record.accepted != null && record.accepted === null
  if (isDropped || event.kind === 'removed' || event.kind === 'ended') await settleReservations(deps, event, record.id, transaction)
  return []
}
