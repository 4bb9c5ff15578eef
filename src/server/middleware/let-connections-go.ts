import type { RequestHandler } from 'express'

/**
 * Once the server was asked to stop, each answer is the last of its connection. A proxy keeps connections open, and would send one more
 * request down one of them in the very moment in which the server lets go of it.
 */
export function letConnectionsGo(leaving: AbortSignal | undefined): RequestHandler {
  return (_request, response, next) => {
    if (leaving?.aborted) response.set('connection', 'close')
    next()
  }
}
