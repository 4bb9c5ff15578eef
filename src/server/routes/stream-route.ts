import { setMaxListeners } from 'node:events'
import type { Response, Router } from 'express'
import type { Clock } from '../ground/clock'
import type { Guarded } from '../middleware/guard'
import { signedIn, type SignedInRequest } from '../middleware/session'
import type { EventRepository } from '../repositories/events'
import { hint, message, mostHints, overlapMs, type ChangeHub } from '../services/change-hub'
import type { Metrics } from '../services/metrics'

/** A cursor older than this, and reading everything anew is less work. */
const longestGapMs = 60 * 60_000
const mostUnreadBytes = 256 * 1024

export interface StreamRouteDeps {
  readonly hub: ChangeHub
  readonly events: Pick<EventRepository, 'changedSince'>
  readonly clock: Clock
  readonly metrics: Pick<Metrics, 'countStream'> | null
  /** Ends every stream when the server stops. */
  readonly stopping?: AbortSignal | undefined
}

/**
 * Server-sent hints `{ stream, version }`: clients fetch what is newer than theirs. Each message has the time up to which it tells as its
 * id; a client that comes back sends the last it saw and hears what changed since then, or `reread` when that is too much. The
 * stream ends with its session (`over`).
 */
export function streamRoute({ router, route }: Guarded, { hub, events, clock, metrics, stopping }: StreamRouteDeps): Router {
  // One for each stream, and there may be hundreds.
  if (stopping) setMaxListeners(0, stopping)
  route('GET /api/stream', (request: SignedInRequest, response: Response) => {
    const { sessionId } = signedIn(request)
    response.set({ 'content-type': 'text/event-stream', 'cache-control': 'no-store', 'x-accel-buffering': 'no' })
    response.flushHeaders()
    response.write('retry: 3000\n\n')
    const hear = (text: string): void => {
      // What is heard after the stream ended has nobody to go to: writing then would end the server.
      if (response.writableEnded) return
      // Nobody reads it any more: a browser that comes back says where it was.
      if (response.writableLength > mostUnreadBytes) return end()
      response.write(text)
    }
    const end = (event?: string): void => {
      leave()
      stopping?.removeEventListener('abort', onStop)
      if (response.writableEnded) return
      response.end(event ? `event: ${event}\ndata: {}\n\n` : '')
    }
    const onStop = (): void => end()
    const leave = hub.listen({ sessionId, hear, end })
    stopping?.addEventListener('abort', onStop)
    metrics?.countStream(1)
    response.once('close', () => metrics?.countStream(-1))
    request.on('close', () => end())
    const cursor = readCursor(request.get('last-event-id') ?? sinceOf(request.query))
    // Not before the first look: what comes in between would be told by neither.
    void hub
      .ready()
      .then(() => catchUp(cursor, clock()))
      .then(hear, () => hear(': database away\n\n'))
  })
  return router

  /** What somebody missed who was there before; nothing for somebody new, who has read nothing yet. */
  async function catchUp(cursor: number | null, now: number): Promise<string> {
    const ready = message(now, '{}', 'ready')
    if (cursor === null) return ready
    if (now - cursor > longestGapMs) return message(now, '{}', 'reread') + ready
    const changes = await events.changedSince(new Date(Math.min(cursor, now) - overlapMs), mostHints)
    return (changes.length > mostHints ? message(now, '{}', 'reread') : changes.map((one) => hint(now, one)).join('')) + ready
  }
}

/** A page that makes a new connection itself says its cursor in the address: only the browser may set the header. */
function sinceOf(query: SignedInRequest['query']): string | undefined {
  return typeof query['since'] === 'string' ? query['since'] : undefined
}

/** The id of the last message that a client saw: server time in ms; null when it saw none. */
function readCursor(id: string | undefined): number | null {
  const time = Number(id)
  return id !== undefined && /^\d{1,15}$/.test(id) && Number.isFinite(time) ? time : null
}
