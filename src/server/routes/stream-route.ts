import type { Response, Router } from 'express'
import type { Guarded } from '../middleware/guard'
import { signedIn, type SignedInRequest } from '../middleware/session'
import type { EventRepository } from '../repositories/events'
import type { PagerState } from '#contract/records/page'
import type { Clock } from '../ground/clock'
import type { Metrics } from '../services/metrics'
import type { SignInService } from '../services/sign-in'

const pollMs = 600
/** Looks of many streams within so long share one answer. */
const sharedMs = 300
/** How often a stream asks whether its session goes on, in looks. */
const sessionEvery = 3
/** Each look reaches so far back, since the order of commits is not the order of receipt. */
const overlapMs = 30_000
/** A cursor older than this, or more changes at once than this, and reading everything anew is less work. */
const longestGapMs = 60 * 60_000
const mostHints = 500
const heartbeatEvery = 25
const mostUnreadBytes = 256 * 1024

export interface StreamRouteDeps {
  readonly events: EventRepository
  readonly signIn: Pick<SignInService, 'isOpen'>
  readonly clock: Clock
  /** Whether the pager answers; everybody hears at once when that changes. */
  readonly pager: () => PagerState | null
  readonly metrics: Pick<Metrics, 'countStream'> | null
  /** Ends every stream when the server stops. */
  readonly stopping?: AbortSignal | undefined
}

/**
 * Server-sent hints `{ stream, version }`: clients fetch what is newer than theirs. Each message has the time up to which it tells as its
 * id; a client that comes back sends the last it saw and hears what changed since then, or `reread` when that is too much. The
 * stream ends with its session (`over`).
 */
export function streamRoute({ router, route }: Guarded, { events, signIn, clock, pager, metrics, stopping }: StreamRouteDeps): Router {
  let last: { readonly at: number; readonly changes: ReturnType<EventRepository['changedSince']> } | null = null
  /** What changed of late, asked once for every stream of this server. */
  const changedLately = (): ReturnType<EventRepository['changedSince']> => {
    const at = performance.now()
    if (last && at - last.at < sharedMs) return last.changes
    const changes = events.changedSince(new Date(clock() - overlapMs), mostHints)
    last = { at, changes }
    changes.catch(() => (last = null))
    return changes
  }
  route('GET /api/stream', (request: SignedInRequest, response: Response) => {
    const { sessionId } = signedIn(request)
    response.set({ 'content-type': 'text/event-stream', 'cache-control': 'no-store', 'x-accel-buffering': 'no' })
    response.flushHeaders()
    response.write('retry: 3000\n\n')
    const told = new Map<string, number>()
    const cursor = readCursor(request.get('last-event-id') ?? sinceOf(request.query))
    let looks = 0
    let isPagerThere = pager()?.isAnswering
    let isLooking = false

    const look = async (): Promise<void> => {
      if (isLooking) return
      isLooking = true
      const now = clock()
      try {
        if (looks % sessionEvery === 0 && !(await signIn.isOpen(sessionId))) return end('over')
        const isFirst = looks++ === 0
        const isTooLate = isFirst && cursor !== null && now - cursor > longestGapMs
        const since = isFirst && cursor !== null && !isTooLate ? cursor : now
        const changes = isFirst ? await events.changedSince(new Date(Math.min(since, now) - overlapMs), mostHints) : await changedLately()
        const isTooMuch = changes.length > mostHints
        for (const { type, id, version } of changes) {
          if ((told.get(id) ?? 0) >= version) continue
          told.set(id, version)
          // Without a cursor nobody has read anything before: the first look only learns what there is.
          if (!isTooMuch && !(isFirst && (cursor === null || isTooLate))) send(now, JSON.stringify({ stream: { type, id }, version }))
        }
        if (isTooMuch || isTooLate) send(now, '{}', 'reread')
        if (pager()?.isAnswering !== isPagerThere) {
          isPagerThere = pager()?.isAnswering
          send(now, '{}', 'pager')
        }
        if (isFirst) send(now, '{}', 'ready')
        else if (looks % heartbeatEvery === 0) send(now, '{}', 'beat')
      } catch {
        if (!response.writableEnded) response.write(': database away\n\n')
      } finally {
        isLooking = false
      }
    }
    const send = (now: number, data: string, event?: string): void => {
      // A look that was under way when the stream ended has nobody to tell any more: writing then would end the server.
      if (response.writableEnded) return
      // Nobody reads it any more: a browser that comes back says where it was.
      if (response.writableLength > mostUnreadBytes) return end()
      response.write(`id: ${now}\n${event ? `event: ${event}\n` : ''}data: ${data}\n\n`)
    }
    const end = (event?: string): void => {
      clearInterval(timer)
      stopping?.removeEventListener('abort', onStop)
      if (response.writableEnded) return
      response.end(event ? `event: ${event}\ndata: {}\n\n` : '')
    }
    const onStop = (): void => end()
    const timer = setInterval(() => void look(), pollMs)
    stopping?.addEventListener('abort', onStop)
    metrics?.countStream(1)
    response.once('close', () => metrics?.countStream(-1))
    request.on('close', () => end())
    void look()
  })
  return router
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
