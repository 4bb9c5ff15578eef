import type { Response, Router } from 'express'
import { QueryTypes, type Sequelize } from 'sequelize'
import type { Clock } from '../ground/clock'
import type { Guarded } from '../middleware/guard'

export interface HealthDeps {
  readonly reads: Sequelize
  readonly clock: Clock
  readonly boardLinesMended: () => number
  /** Aborted once the server was asked to stop. */
  readonly stopping?: AbortSignal | undefined
}

/**
 * How the server is. `live`: the process answers; started again by whoever watches it when not. `ready`: it can serve, 503 while the
 * database does not answer, 404 once it is stopping, so that a proxy sends nobody new. `health` says the same in words, with the time.
 */
export function healthRoutes({ router, route }: Guarded, { reads, clock, boardLinesMended, stopping }: HealthDeps): Router {
  const ask = (): Promise<unknown> => reads.query('SELECT 1 AS one', { type: QueryTypes.SELECT })
  route('GET /api/live', (_request, response: Response) => {
    response.json({ status: 'live' })
  })
  route('GET /api/ready', async (_request, response: Response) => {
    if (stopping?.aborted) return void response.status(404).json({ status: 'stopping' })
    await ask()
    response.json({ status: 'ready' })
  })
  route('GET /api/health', async (_request, response: Response) => {
    await ask()
    response.json({ status: 'up', database: 'up', boardLinesMended: boardLinesMended(), now: new Date(clock()).toISOString() })
  })
  return router
}
