import type { Transaction } from 'sequelize'
import type { StoredEvent } from '#contract/event'
import { foldWard } from '#contract/events/fold'
import type { PersonSettings } from '#contract/records/person'
import { wardId } from '#contract/records/ward'
import { invalidInput } from '../ground/api-error'
import type { AppendDeps, Writing } from '../ledger/writing'
import { findPlaceRules, findWardRules } from '../kinds/find-rules'
import type { Kept } from '../kinds/rules'
import { checkBase, checkHead, appendToChain } from '../ledger/chain-event'

/** Keeps an event of a place that keeps stock: its row is locked, so that two people cannot take the last one. */
export async function writePlaceEvent(deps: AppendDeps, writing: Writing, transaction: Transaction): Promise<StoredEvent> {
  const { id } = writing.input.stream
  await checkCase(deps, writing.input.body as { caseId?: string }, transaction)
  const before = await deps.streams.lockHead('place', id, transaction)
  checkHead(writing.input, before)
  const { event, head } = await appendToChain(deps, writing, before, transaction)
  await findPlaceRules(event.kind)?.after(deps, event as Kept<object>, transaction)
  await deps.stock.saveHead(id, head, transaction)
  return event
}

/** Keeps an event of a person's own settings. */
export async function writePersonEvent(deps: AppendDeps, writing: Writing, transaction: Transaction): Promise<StoredEvent> {
  const { id } = writing.input.stream
  const before = await deps.streams.lockHead('person', id, transaction)
  checkHead(writing.input, before)
  const { event, head } = await appendToChain(deps, writing, before, transaction)
  await deps.people.saveSettings(id, event.body as PersonSettings, head, transaction)
  return event
}

/** Keeps what a lead sets for the ward: there is one, and it is there from the beginning. */
export async function writeWardEvent(deps: AppendDeps, writing: Writing, transaction: Transaction): Promise<StoredEvent> {
  const { input } = writing
  if (input.stream.id !== wardId)
    throw invalidInput([{ code: 'not-known', path: 'stream/id', message: `There is one ward record here: write to ${wardId}.` }])
  await deps.streams.lockHead('ward', wardId, transaction)
  const before = await deps.streams.findWard(transaction)
  checkBase(input, before)
  findWardRules(input.kind)?.check({ kind: input.kind, body: input.body as object }, before.record)
  const { event, head } = await appendToChain(deps, writing, before, transaction)
  await deps.streams.saveWard(foldWard(before.record, event), head, new Date(event.receivedAt), transaction)
  return event
}

async function checkCase(deps: AppendDeps, { caseId }: { caseId?: string }, transaction: Transaction): Promise<void> {
  if (caseId === undefined || (await deps.streams.findCase(caseId, transaction))) return
  throw invalidInput([{ code: 'not-known', path: 'body/caseId', message: 'There is no such case: look it up on the Board.' }])
}
