import cookieParser from 'cookie-parser'
import express, { type Express, type NextFunction, type Request, type Response } from 'express'
import helmet from 'helmet'
import type { Logger } from 'pino'
import { QueryTypes, type Sequelize } from 'sequelize'
import type { DeviceInfo, DevicesAnswer } from '#contract/devices'
import { ApiError } from './api-error'
import type { Clock } from './clock'
import { defineModels } from './db/models'
import { answerErrors } from './middleware/answer-errors'
import { readSession, requireSession, type SignedInRequest } from './middleware/session'
import type { Planner } from './planning/planner'
import { createEventRepository } from './repositories/events'
import { createPeopleRepository } from './repositories/people'
import { createPhotoRepository } from './repositories/photos'
import { createStockRepository } from './repositories/stock'
import { createStreamRepository } from './repositories/streams'
import { coreRoutes } from './routes/core-routes'
import { paperRoutes } from './routes/paper-routes'
import { photoRoutes } from './routes/photo-routes'
import { recordRoutes } from './routes/record-routes'
import { sessionRoutes } from './routes/session-routes'
import { storeRoutes } from './routes/store-routes'
import { streamRoute } from './routes/stream-route'
import { makeNonce, webRoutes } from './routes/web-routes'
import { createAppendService } from './services/append-event'
import { createStockImport } from './services/import-stock'
import { createSignInService } from './services/sign-in'

export interface AppDeps {
  readonly db: Sequelize
  readonly clock: Clock
  readonly planner: Planner
  readonly log: Logger
  /** Folder of the built web room; null serves the API alone. */
  readonly webFolder: string | null
  readonly isSecure?: boolean
  readonly wrongSignInsAllowed?: number
  /** Stand-ins that run beside the server. */
  readonly devices?: readonly DeviceInfo[]
}

/** Builds the application without listening. */
export function createApp(deps: AppDeps): Express {
  const { db, clock, planner, log } = deps
  const models = defineModels(db)
  const events = createEventRepository(db, models)
  const streams = createStreamRepository(db, models)
  const people = createPeopleRepository(models)
  const signIn = createSignInService(people, clock)
  const stock = createStockRepository(db)
  const append = createAppendService({ db, events, streams, people, stock, planner, clock })

  const app = express()
  app.disable('x-powered-by')
  const devices = deps.devices ?? []
  app.use(contentPolicy(deps.isSecure ?? false, devices))
  app.use(express.json({ limit: '1mb', type: ['application/json', 'application/*+json'] }))
  app.use(cookieParser())
  app.use('/api', (_request: Request, response: Response, next: NextFunction) => {
    response.set('cache-control', 'no-store')
    next()
  })
  app.get('/api/health', async (_request, response) => {
    await db.query('SELECT 1 AS one', { type: QueryTypes.SELECT })
    response.json({ status: 'up', database: 'up', now: new Date(clock()).toISOString() })
  })
  app.use('/api', readSession(signIn))
  app.use(sessionRoutes({ signIn, clock, isSecure: deps.isSecure ?? false, wrongSignInsAllowed: deps.wrongSignInsAllowed ?? 30 }))
  app.use(recordRoutes({ append, streams, people, clock }))
  app.use(coreRoutes(planner))
  app.use(storeRoutes({ stock, importStock: createStockImport({ db, events, streams, stock, clock }), clock }))
  app.use(paperRoutes({ streams, planner, clock }))
  app.use(photoRoutes({ photos: createPhotoRepository(db), streams, clock }))
  app.get('/api/devices', (request: SignedInRequest, response: Response<DevicesAnswer>) => {
    requireSession(request)
    response.json({ devices })
  })
  app.use(streamRoute(events, clock))
  app.use('/api', () => {
    throw new ApiError(404, 'not-found', 'There is nothing at this address of the API.')
  })
  if (deps.webFolder) app.use(webRoutes(deps.webFolder))
  app.use(answerErrors(log))
  return app
}

function contentPolicy(isSecure: boolean, devices: readonly DeviceInfo[]): express.RequestHandler[] {
  const withNonce: express.RequestHandler = (_request, response, next) => {
    response.locals['nonce'] = makeNonce()
    next()
  }
  const policy = helmet({
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        'default-src': ["'none'"],
        'script-src': ["'self'"],
        'worker-src': ["'self'"],
        'connect-src': ["'self'", ...devices.map((device) => new URL(device.stream).origin)],
        'font-src': ["'self'"],
        'img-src': ["'self'", 'data:', 'blob:'],
        'style-src': ["'self'", (_request, response) => `'nonce-${String((response as Response).locals['nonce'])}'`],
        'style-src-attr': ["'unsafe-inline'"],
        'manifest-src': ["'self'"],
        'base-uri': ["'none'"],
        'form-action': ["'self'"],
        'frame-ancestors': ["'none'"],
      },
    },
    strictTransportSecurity: isSecure,
  })
  return [withNonce, policy as express.RequestHandler]
}
