import { setMaxListeners } from 'node:events'
import type { Response, Router } from 'express'
import { ApiError } from '../ground/api-error'
import type { Guarded } from '../middleware/guard'
import { signedIn, type SignedInRequest } from '../middleware/session'
import type { Changes } from '../repositories/changes'
import { message, newestOf, type ChangeHub } from '../services/change-hub'
import type { Metrics } from '../services/metrics'

/** So many lines at most are looked through for somebody who comes back: they are of fewer streams. */
const mostMissed = 5_000
/** A session has a few tabs; whoever opens more takes from the others. */
const mostOfSession = 20
const mostUnreadBytes = 256 * 1024

export interface StreamRouteDeps {
  readonly hub: ChangeHub
  readonly changes: Pick<Changes, 'head' | 'after'>
  readonly metrics: Pick<Metrics, 'countStream'> | null
  /** Ends every stream when the server stops. */
  readonly stopping?: AbortSignal | undefined
}

/**
 * Server-sent hints `{ stream, version }`: clients fetch what is newer than theirs. Each message has as its id where its listener stands:
 * which database it is, and up to which change everything was told. A client that comes back sends the last it saw and hears what changed
 * since then, or `reread` when that is too much, or of another database. The stream ends with its session (`over`).
 */
export function streamRoute({ router, route }: Guarded, { hub, changes, metrics, stopping }: StreamRouteDeps): Router {
  // One for each stream, and there may be hundreds.
  if (stopping) setMaxListeners(0, stopping)
  route('GET /api/stream', (request: SignedInRequest, response: Response) => {
    const { sessionId } = signedIn(request)
    if (hub.listening(sessionId) >= mostOfSession)
      throw new ApiError(429, 'too-many', `This session is open in ${mostOfSession} tabs: close some of them.`)
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
      .then(() => catchUp(cursor))
      .then(hear, () => hear(': database away\n\n'))
  })
  return router

  /** What somebody missed who was there before; nothing for somebody new, who has read nothing yet. */
  async function catchUp(cursor: Cursor | null): Promise<string> {
    const at = hub.cursor()
    const ready = message(at, '{}', 'ready')
    if (cursor === null) return ready
    const { lineage, swept, greatest } = await changes.head()
    const isOther = cursor.lineage !== lineage || cursor.low > greatest || cursor.low < swept
    if (isOther) return message(at, '{}', 'reread') + ready
    const lines = await changes.after(cursor.low, mostMissed)
    // There may be more, and the newest are last.
    if (lines.length === mostMissed) return message(at, '{}', 'reread') + ready
    const missed = newestOf(lines)
    return missed.map(({ data, event }) => message(at, data, event)).join('') + ready
  }
}

/** A page that makes a new connection itself says its cursor in the address: only the browser may set the header. */
function sinceOf(query: SignedInRequest['query']): string | undefined {
  return typeof query['since'] === 'string' ? query['since'] : undefined
}

interface Cursor {
  readonly lineage: string
  readonly low: number
}

/** Where a client stands by the last message that it saw; null when it saw none. A time, as messages had once, is of no database. */
function readCursor(id: string | undefined): Cursor | null {
  if (id === undefined) return null
  if (/^\d{1,15}$/.test(id)) return { lineage: '', low: 0 }
  const [, lineage, low] = /^([0-9a-f-]{36})\/(\d{1,15})$/.exec(id) ?? []
  return lineage === undefined || low === undefined ? null : { lineage, low: Number(low) }
}
