import type { Transaction } from 'sequelize'
import type { StoredEvent } from '#contract/event'
import type { BodyOf } from '#contract/events/index'
import type { AppendDeps } from '../../ledger/writing'
import type { Kept, PlaceRules } from '../rules'
import { rules as released } from './stock-released'
import { rules as reserved } from './stock-reserved'
import { ownEvent, appendNext } from '../../ledger/chain-event'

/** The event that brings it about. */
type Cause = Pick<StoredEvent, 'actor' | 'actorName' | 'receivedAt'>
type Deps = Pick<AppendDeps, 'events' | 'streams' | 'stock'>

/**
 * Brings what a case has set aside in line with what it wants now: lets everything go, then sets aside anew. Places are locked in
 * the order of their ids, and each change is an event of its place, so that its hash chain tells of it.
 * @param cause the event of the case that brings it about
 * @param placeId the place that the case takes from now; null when it wants nothing
 * @param choose what to set aside there, asked once the place is locked and the old reservations are gone
 */
export async function settleReservations(
  deps: Deps,
  cause: Cause,
  caseId: string,
  transaction: Transaction,
  placeId: string | null = null,
  choose: () => Promise<readonly { itemCode: string; count: number }[]> = async () => [],
): Promise<void> {
  const held = await deps.stock.reservationsOfCase(null, caseId, transaction)
  const places = [...new Set([...held.map((one) => one.placeId), ...(placeId ? [placeId] : [])])].sort()
  for (const id of places) await deps.streams.lockHead('place', id, transaction)
  for (const id of places) {
    if (held.some((one) => one.placeId === id)) await writeToPlace(deps, cause, id, 'stock-released', { caseId }, released, transaction)
  }
  if (placeId === null) return
  for (const { itemCode, count } of await choose()) {
    await writeToPlace(deps, cause, placeId, 'stock-reserved', { itemCode, count, caseId }, reserved, transaction)
  }
}

async function writeToPlace<Kind extends 'stock-released' | 'stock-reserved'>(
  deps: Deps,
  cause: Cause,
  placeId: string,
  kind: Kind,
  body: BodyOf<Kind>,
  rules: PlaceRules<BodyOf<Kind>>,
  transaction: Transaction,
): Promise<void> {
  const before = await deps.streams.lockHead('place', placeId, transaction)
  const unchained = ownEvent({ type: 'place', id: placeId }, kind, body, cause)
  const { event, head } = await appendNext(deps.events, unchained, before, transaction)
  await rules.after(deps, event as Kept<BodyOf<Kind>>, transaction)
  await deps.stock.saveHead(placeId, head, transaction)
}
