import type { FoldableEvent } from '../event'
import { eventKinds, type EventKindId } from './index'
import type { EventKind, Upcaster } from './kind'

type Table = Readonly<Record<string, Pick<EventKind, 'upcasters'>>>

function stepsOf(kind: string, table: Table): readonly Upcaster[] {
  return Object.hasOwn(table, kind) ? (table[kind]?.upcasters ?? []) : []
}

/** The version in which events of a kind are written now. */
export function newestVersion(kind: EventKindId): number {
  return 1 + stepsOf(kind, eventKinds).length
}

/**
 * A body in the newest form of its kind, so that old streams stay readable and an outbox kept across an upgrade is taken.
 * @param v the version that it has, 1 or more
 */
export function upcastBody(kind: string, v: number, body: unknown, table: Table = eventKinds): unknown {
  return stepsOf(kind, table)
    .slice(v - 1)
    .reduce((current, step) => step(current), body)
}

/**
 * An event in the newest form of its kind.
 * @param event as stored, of any version that ever was
 * @param table upcasters by kind
 */
export function upcast(event: FoldableEvent, table: Table = eventKinds): FoldableEvent {
  const newest = 1 + stepsOf(event.kind, table).length
  return event.v >= newest ? event : { ...event, v: newest, body: upcastBody(event.kind, event.v, event.body, table) }
}
