import type { EventKind } from './kind'
import { eventKinds } from './kinds'

export { eventKinds }
export type EventKindId = keyof typeof eventKinds
/** The body of a kind. */
export type BodyOf<Kind extends EventKindId> = (typeof eventKinds)[Kind]['example']

/** The kind with an id, or null. */
export function findEventKind(id: string): EventKind | null {
  return Object.hasOwn(eventKinds, id) ? (eventKinds[id as EventKindId] as unknown as EventKind) : null
}
