export const streamTypes = ['episode', 'case', 'person', 'place', 'ward'] as const
export type StreamType = (typeof streamTypes)[number]

/** An event as a client sends it. */
export interface EventInput<Body = unknown> {
  /** UUIDv7 made by the client: a repeat with the same id is harmless. */
  readonly id: string
  readonly stream: { readonly type: StreamType; readonly id: string }
  readonly kind: string
  readonly v: number
  readonly body: Body
  /** Device time, ISO 8601 with offset. */
  readonly at: string
  /** Device clock less server clock, ms, as far as the device knows. */
  readonly offsetMs: number
  /** For replacing events: the stream version they were made from. */
  readonly base?: number
  /** It waited on the device before it could be sent, so that a clock that is wrong must not lose it. */
  readonly queued?: true
}

/**
 * What is said of an event that is not to be taken as written: it came late, its device's clock ran ahead, or it was sent when its author's
 * access had ended, so that nobody confirms that it is theirs.
 */
export const eventMarks = ['late', 'clock-wrong', 'unconfirmed'] as const
export type EventMark = (typeof eventMarks)[number]

/** How the name of an author is read whom nobody confirms. */
export function notConfirmed(name: string): string {
  return `${name}${notConfirmedWords}`
}
/** Whether an entry is by somebody whom nobody confirms. */
export function isNotConfirmed({ by }: { readonly by: string }): boolean {
  return by.endsWith(notConfirmedWords)
}
const notConfirmedWords = ' (not confirmed)'

/** An event as the server keeps it. */
export interface StoredEvent<Body = unknown> extends EventInput<Body> {
  readonly actor: string
  readonly actorName: string
  readonly receivedAt: string
  readonly version: number
  readonly mark?: EventMark
  /** The time that the device gave, where another was kept. */
  readonly claimedAt?: string
}

/** What a fold needs of an event; a pending one has no version yet. */
export type FoldableEvent = Pick<StoredEvent, 'id' | 'kind' | 'v' | 'body' | 'at' | 'actor' | 'actorName' | 'mark'> &
  Partial<Pick<StoredEvent, 'receivedAt'>>
