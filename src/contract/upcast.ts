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
 * An event in the newest form of its kind.
 * @param event as stored, of any version that ever was
 * @param table upcasters by kind, the one from version 1 to 2 first
 */
export function upcast(event: FoldableEvent, table: Partial<Record<string, readonly Upcaster[]>> = upcasters): FoldableEvent {
  const steps = table[event.kind]?.slice(event.v - 1) ?? []
  return steps.reduce<FoldableEvent>((current, step) => ({ ...current, v: current.v + 1, body: step(current.body) }), event)
}
