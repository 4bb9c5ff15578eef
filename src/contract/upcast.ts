import type { EventKindId } from './event-kinds'
import type { FoldableEvent } from './event'

type Upcaster = (body: unknown) => unknown

/**
 * How the body of an event of version N becomes that of N + 1, by kind, the step from 1 to 2 first. A kind whose body changes gets
 * its next version and a line here, so that old streams stay readable and an outbox kept across an upgrade is taken.
 */
const upcasters: Partial<Record<EventKindId, readonly Upcaster[]>> = {
  // 2: the reading is named by its key; the server copies it.
  'moved-in': [(body) => ({ ...(body as object), key: (body as { measurement?: { key?: string } }).measurement?.key })],
}

/** The version in which events of a kind are written now. */
export function newestVersion(kind: EventKindId): number {
  return 1 + (upcasters[kind]?.length ?? 0)
}

/**
 * A body in the newest form of its kind.
 * @param v the version that it has, 1 or more
 */
export function upcastBody(
  kind: string,
  v: number,
  body: unknown,
  table: Partial<Record<string, readonly Upcaster[]>> = upcasters,
): unknown {
  return (table[kind]?.slice(v - 1) ?? []).reduce((current, step) => step(current), body)
}

/**
 * An event in the newest form of its kind.
 * @param event as stored, of any version that ever was
 * @param table upcasters by kind, the one from version 1 to 2 first
 */
export function upcast(event: FoldableEvent, table: Partial<Record<string, readonly Upcaster[]>> = upcasters): FoldableEvent {
  const newest = 1 + (table[event.kind]?.length ?? 0)
  return event.v >= newest ? event : { ...event, v: newest, body: upcastBody(event.kind, event.v, event.body, table) }
}
