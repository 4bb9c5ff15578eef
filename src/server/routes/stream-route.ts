import { Router } from 'express'
import { requireSession, type SignedInRequest } from '../middleware/session'
import type { EventRepository } from '../repositories/events'
import type { Clock } from '../clock'

const pollMs = 1_500
const overlapMs = 30_000

/**
 * Server-sent hints `{ stream, version }`: clients fetch what is newer than theirs. Each look reaches 30 s
 * back, since the order of commits is not the order of receipt; what was already told is dropped.
 */
export function streamRoute(events: EventRepository, clock: Clock): Router {
  const router = Router()
  router.get('/api/stream', (request: SignedInRequest, response) => {
    requireSession(request, 'read')
    response.set({ 'content-type': 'text/event-stream', 'cache-control': 'no-store', 'x-accel-buffering': 'no' })
    response.flushHeaders()
    response.write('retry: 3000\n\n')
    const told = new Map<string, number>()
    let isFirst = true
    let isLooking = false
    const look = async (): Promise<void> => {
      if (isLooking) return
      isLooking = true
      try {
        for (const { type, id, version } of await events.changedSince(new Date(clock() - overlapMs))) {
          if ((told.get(id) ?? 0) >= version) continue
          told.set(id, version)
          if (!isFirst) response.write(`data: ${JSON.stringify({ stream: { type, id }, version })}\n\n`)
        }
        if (isFirst) response.write('event: ready\ndata: {}\n\n')
        isFirst = false
      } catch {
        response.write(': database away\n\n')
      } finally {
        isLooking = false
      }
    }
    void look()
    const timer = setInterval(() => void look(), pollMs)
    request.on('close', () => clearInterval(timer))
  })
  return router
}
