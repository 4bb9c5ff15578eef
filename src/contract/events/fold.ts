import { notConfirmed, type FoldableEvent } from '../event'
import type { CaseRecord } from '../records/case'
import type { EpisodeRecord } from '../records/episode'
import type { WardRecord } from '../records/ward'
import { findEventKind } from './index'
import type { EventKind } from './kind'
import { upcast } from './upcast'

/**
 * Which fold a snapshot was made by. Raise it whenever a fold makes another record of the same events: older snapshots are then folded
 * again from their events when they are read.
 */
export const foldVersion = 1

/**
 * Applies one event to a case. Unknown kinds leave it as it is, so that an older reader survives newer data.
 * @param record null only for the opening event
 */
export function foldCase(record: CaseRecord | null, streamId: string, stored: FoldableEvent): CaseRecord {
  const event = asRead(stored)
  const kind = findEventKind(event.kind) as EventKind<object, 'case'> | null
  const body = event.body as object
  if (kind?.stream === 'case' && kind.open) return kind.open(streamId, { ...event, body })
  if (!record) throw new Error(`A case cannot begin with ${event.kind}`)
  if (kind?.stream !== 'case' || !kind.fold) return record
  return withFactsAt(kind.fold(record, { ...event, body }), kind, event)
}

/**
 * Applies one event to a stay. Unknown kinds leave it as it is.
 * @param record null only for the opening event
 */
export function foldEpisode(record: EpisodeRecord | null, streamId: string, stored: FoldableEvent): EpisodeRecord {
  const event = asRead(stored)
  const kind = findEventKind(event.kind) as EventKind<object, 'episode'> | null
  const body = event.body as object
  if (kind?.stream === 'episode' && kind.open) return kind.open(streamId, { ...event, body })
  if (!record) throw new Error(`An episode cannot begin with ${event.kind}`)
  if (kind?.stream !== 'episode' || !kind.fold) return record
  return withFactsAt(kind.fold(record, { ...event, body }), kind, event)
}

/** An event in its newest form; whoever nobody confirms is named so wherever their name stands. */
function asRead(stored: FoldableEvent): FoldableEvent {
  const event = upcast(stored)
  return event.mark === 'unconfirmed' ? { ...event, actorName: notConfirmed(event.actorName) } : event
}

/** Notes when what a plan is made of last changed. */
function withFactsAt<R extends CaseRecord | EpisodeRecord>(
  record: R,
  kind: Pick<EventKind<object>, 'bearsOnPlan' | 'isNoFact'>,
  event: FoldableEvent,
): R {
  return kind.bearsOnPlan && !kind.isNoFact ? { ...record, factsAt: event.receivedAt ?? event.at } : record
}

/** Applies one event to the ward's record. Unknown kinds leave it as it is. */
export function foldWard(record: WardRecord, stored: FoldableEvent): WardRecord {
  const event = asRead(stored)
  const kind = findEventKind(event.kind) as EventKind<object, 'ward'> | null
  return kind?.stream === 'ward' && kind.fold ? kind.fold(record, { ...event, body: event.body as object }) : record
}
