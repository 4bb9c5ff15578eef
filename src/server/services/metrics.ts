import type { NextFunction, Request, Response } from 'express'
import { collectDefaultMetrics, Counter, Gauge, Histogram, Registry } from 'prom-client'
import type { Sequelize } from 'sequelize'

/** What is counted for whoever watches the server; nothing of it names a patient or a person. */
export interface Metrics {
  readonly registry: Registry
  /** Measures each request by its route as it is declared. */
  readonly measure: (request: Request, response: Response, next: NextFunction) => void
  /** Something of security happened. */
  countSecurity(kind: string): void
  /** One more event was kept. */
  countEvent(kind: string): void
  /** A stream of hints was opened (1) or ended (-1). */
  countStream(change: 1 | -1): void
}

interface PooledConnections {
  readonly connectionManager?: { readonly pool?: { readonly using?: number; readonly waiting?: number } }
}

const secondsBuckets = [0.005, 0.01, 0.025, 0.05, 0.1, 0.2, 0.5, 1, 2, 5, 10]

/**
 * Metrics of one server, in a registry of their own.
 * @param watched pools by name
 * @param isPagerAnswering null where there is none
 * @param clockOffsetMs this server's clock less the database's; null before it was measured
 */
export function createMetrics(
  watched: Readonly<Record<string, Sequelize>>,
  isPagerAnswering: () => boolean | null,
  clockOffsetMs: () => number | null,
): Metrics {
  const registry = new Registry()
  collectDefaultMetrics({ register: registry })
  const registers = [registry]
  const seconds = new Histogram({
    name: 'wren_request_seconds',
    help: 'Time from a request to the end of its answer, by route and class of status',
    labelNames: ['method', 'route', 'status'] as const,
    buckets: secondsBuckets,
    registers,
  })
  const events = new Counter({
    name: 'wren_events_total',
    help: 'Events that were kept, by kind',
    labelNames: ['kind'] as const,
    registers,
  })
  const security = new Counter({
    name: 'wren_security_total',
    help: 'Pauses, refused tickets, wrong codes, records opened from outside, by kind',
    labelNames: ['kind'] as const,
    registers,
  })
  const streams = new Gauge({ name: 'wren_streams_open', help: 'Browsers that listen for changes', registers })
  new Gauge({
    name: 'wren_database_connections',
    help: 'Connections of each pool in use, and requests that wait for one',
    labelNames: ['pool', 'state'] as const,
    registers,
    collect() {
      for (const [pool, db] of Object.entries(watched)) {
        const { using = 0, waiting = 0 } = (db as unknown as PooledConnections).connectionManager?.pool ?? {}
        this.set({ pool, state: 'used' }, using)
        this.set({ pool, state: 'waiting' }, waiting)
      }
    },
  })
  new Gauge({
    name: 'wren_pager_answering',
    help: '1 while the pager answers, 0 while it does not; absent where none is set up',
    registers,
    collect() {
      const isAnswering = isPagerAnswering()
      if (isAnswering === null) this.reset()
      else this.set(isAnswering ? 1 : 0)
    },
  })
  new Gauge({
    name: 'wren_clock_offset_seconds',
    help: 'Clock of this server less that of the database',
    registers,
    collect() {
      const offsetMs = clockOffsetMs()
      if (offsetMs === null) this.reset()
      else this.set(offsetMs / 1_000)
    },
  })
  return {
    registry,
    measure(request, response, next) {
      const started = performance.now()
      response.once('close', () => {
        const route = (request as { route?: { path?: unknown } }).route?.path
        // A stream is open for hours: how long says nothing.
        if (route === '/api/stream') return
        const labels = {
          method: request.method,
          route: typeof route === 'string' ? route : 'other',
          status: `${String(response.statusCode)[0]}xx`,
        }
        seconds.observe(labels, (performance.now() - started) / 1_000)
      })
      next()
    },
    countSecurity: (kind) => security.inc({ kind }),
    countEvent: (kind) => events.inc({ kind }),
    countStream: (change) => streams.inc(change),
  }
}
