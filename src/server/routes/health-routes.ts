import { setTimeout as sleep } from 'node:timers/promises'
import type { Response, Router } from 'express'
import { QueryTypes, type Sequelize } from 'sequelize'
import { refuseMs, type Clock, type ClockState, type ComparedClock } from '../ground/clock'
import { ApiError } from '../ground/api-error'
import type { Guarded } from '../middleware/guard'

const longestMs = 2_000

export interface HealthDeps {
  readonly reads: Sequelize
  readonly clock: Clock
  /** How this server's clock stands to the database's. */
  readonly clocks: ComparedClock
  readonly boardLinesMended: () => number
  /** Aborted once the server was asked to stop. */
  readonly stopping?: AbortSignal | undefined
}

/**
 * How the server is. `live`: the process answers; started again by whoever watches it when not. `ready`: it can serve, 503 while the
 * database does not answer, 404 once it is stopping, so that a proxy sends nobody new. `health` says the same in words, with the time.
 */
export function healthRoutes({ router, route }: Guarded, { reads, clock, clocks, boardLinesMended, stopping }: HealthDeps): Router {
  let asking: Promise<unknown> | null = null
  /** Whoever watches hears within two seconds; one question is asked for all who wait. */
  const ask = async (): Promise<void> => {
    asking ??= reads.query('SELECT 1 AS one', { type: QueryTypes.SELECT }).finally(() => {
      asking = null
    })
    await Promise.race([
      asking,
      sleep(longestMs, undefined, { ref: false }).then(() => {
        throw new ApiError(503, 'unavailable', `The database has not answered within ${longestMs / 1_000} s.`)
      }),
    ])
  }
  route('GET /api/live', (_request, response: Response) => {
    response.json({ status: 'live' })
  })
  route('GET /api/ready', async (_request, response: Response) => {
    if (stopping?.aborted) return void response.status(404).json({ status: 'stopping' })
    await Promise.all([ask(), clocks.caughtUp()])
    if (clocks.state.isRefused)
      throw new ApiError(
        503,
        'unavailable',
        'The clock of this server is more than 5 s off, and those of the others are not: set it first.',
      )
    response.json({ status: 'ready' })
  })
  route('GET /api/health', async (_request, response: Response) => {
    await ask()
    response.json({
      status: 'up',
      database: 'up',
      boardLinesMended: boardLinesMended(),
      clockOffsetMs: clocks.state.offsetMs,
      clock: clockWords(clocks.state),
      now: new Date(clock()).toISOString(),
    })
  })
  return router
}

/** Whether the clock agrees with the database's, and what the server does where it does not. */
function clockWords({ offsetMs, isRefused }: ClockState): 'not compared' | 'agrees' | 'differs, serves' | 'differs, serves nobody' {
  if (offsetMs === null) return 'not compared'
  if (Math.abs(offsetMs) <= refuseMs) return 'agrees'
  return isRefused ? 'differs, serves nobody' : 'differs, serves'
}
