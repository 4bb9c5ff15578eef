import cookieParser from 'cookie-parser'
import express, { type Express, type NextFunction, type Request, type Response } from 'express'
import helmet from 'helmet'
import type { Logger } from 'pino'
import type { Sequelize } from 'sequelize'
import { openPaths } from '#contract/api/route-rights'
import type { InstrumentInfo } from '#contract/api/instruments'
import { needsSecondFactor, type SecondFactorOf } from '#contract/rights'
import { ApiError } from './ground/api-error'
import { agreeing, type Clock, type ComparedClock } from './ground/clock'
import { createSecurityTeller } from './ground/tell-security'
import { defineModels } from './db/models'
import { answerErrors } from './middleware/answer-errors'
import { readJson } from './middleware/json-body'
import { tellUnnamedProxy } from './middleware/unnamed-proxy'
import { byRightClock } from './middleware/right-clock'
import { requireKnownHost } from './middleware/known-host'
import { letConnectionsGo } from './middleware/let-connections-go'
import { createGuard } from './middleware/guard'
import { readSession, sessionBeforeBody } from './middleware/session'
import { createPagerSender, type PagerLine, type PagerSender } from './jobs/pager-sender'
import { createPrint } from './planning/print'
import { createPlanner } from './planning/planner'
import { createChanges, type Changes } from './repositories/changes'
import { createCountersigns } from './repositories/countersigns'
import { createMasterKey, type MasterKey } from './ground/master-key'
import { createRecoveryCodes } from './repositories/recovery-codes'
import { createHeldEntries } from './repositories/held-entries'
import { createAcknowledge } from './services/acknowledge-event'
import { createHeldSettler } from './services/settle-held'
import { createSealedTaker } from './services/take-sealed'
import { sealedRoutes } from './routes/sealed-routes'
import { createEventRepository } from './repositories/events'
import { createJudgedRules } from './repositories/judged-rules'
import { createLooksIn } from './repositories/looks-in'
import { createPageRepository } from './repositories/pages'
import { createPatientReads } from './repositories/patient-reads'
import { createPeopleRepository, type Account } from './repositories/people'
import { createPhotoRepository } from './repositories/photos'
import { createPracticeDrills } from './repositories/practice-drills'
import { createPracticeGroups } from './repositories/practice-groups'
import { createPracticeSittings } from './repositories/practice-sittings'
import { createSecretRepository } from './repositories/secrets'
import { createSignInFailures } from './repositories/sign-in-failures'
import { createStockRepository } from './repositories/stock'
import { createStreamRepository } from './repositories/streams'
import { auditRoutes } from './routes/audit-routes'
import { coreRoutes } from './routes/core-routes'
import { countersignRoutes } from './routes/countersign-routes'
import { deviceRoutes } from './routes/device-routes'
import { exportRoutes } from './routes/export-routes'
import { healthRoutes } from './routes/health-routes'
import { handOverRoutes } from './routes/hand-over-routes'
import { historyRoutes } from './routes/history-routes'
import { looksInRoutes } from './routes/looks-in-routes'
import { pagerRoutes } from './routes/pager-routes'
import { paperRoutes } from './routes/paper-routes'
import { peopleRoutes } from './routes/people-routes'
import { photoRoutes } from './routes/photo-routes'
import { practiceRoutes } from './routes/practice-routes'
import { protocolRoutes } from './routes/protocol-routes'
import { recallRoutes } from './routes/recall-routes'
import { recordRoutes } from './routes/record-routes'
import { sessionRoutes } from './routes/session-routes'
import { storeRoutes } from './routes/store-routes'
import { streamRoute } from './routes/stream-route'
import { makeNonce, webRoutes } from './routes/web-routes'
import { createAppendService } from './writing/append-event'
import { createCareTeam, noCareTeams } from './services/care-team'
import { createChangeHub } from './services/change-hub'
import { createStockImport } from './services/import-stock'
import { createDrillKeeper } from './services/keep-drill'
import { createSittingKeeper } from './services/keep-sitting'
import { createMetrics, type Metrics } from './services/metrics'
import { createBoardMender, type BoardMender } from './services/mend-board'
import { createReadNoter } from './services/note-read'
import { createSpooledReads } from './services/spooled-reads'
import { ownsCase, whoHasIt } from './writing/own-stays'
import { createPlanNoter, type PlanNoter } from './services/note-plan'
import { createPracticeReader } from './services/read-practice'
import { createStationPlans } from './services/station-plans'
import { createDeviceKeys } from './people/device-keys'
import { createSecondFactor } from './people/second-factor'
import { createScreenLock } from './people/screen-lock'
import { setTimeout as sleep } from 'node:timers/promises'
import { createTryCounter } from './people/count-tries'
import { createCookies } from './middleware/cookies'
import { createKnownDevices } from './people/known-devices'
import { createPeopleManager } from './people/manage-people'
import { createSignInGate } from './people/sign-in-gate'
import { createSignInService, type SignInService } from './people/sign-in'
import type { WorkerPool } from './workers/pool'

export interface AppDeps {
  readonly db: Sequelize
  /** A pool of its own for what only reads; that of the writers without one. */
  readonly reads?: Sequelize
  /** Worker threads for planning and for reading files. */
  readonly pool: WorkerPool
  /** Those for papers of one case; the same without. */
  readonly casePapers?: WorkerPool
  /** Those for papers of many; the same without. */
  readonly papers?: WorkerPool
  readonly clock: Clock
  readonly log: Logger
  /** Waits; a test passes over it. */
  readonly sleep?: (ms: number) => Promise<void>
  /** Folder of the built web room; null serves the API alone. */
  readonly webFolder: string | null
  readonly isSecure?: boolean
  /** Stand-ins that run beside the server. */
  readonly devices?: readonly InstrumentInfo[]
  /** Where pages go; without it nobody is paged. */
  readonly pager?: PagerLine | null
  /** Asked to stop, and not ready for anybody new. */
  readonly leaving?: AbortSignal
  /** Ends what would go on for ever, so that the server can stop. */
  readonly stopping?: AbortSignal
  /** Names under which it may be asked; any without. */
  readonly hosts?: readonly string[]
  /** Proxies whose word on the caller's address is taken. */
  readonly proxies?: readonly string[]
  /** Whether leads and admins need an authenticator app. */
  readonly secondFactorOf?: SecondFactorOf
  /** Whoever is outside of a patient's places and team says why before a case opens. */
  readonly hasCareTeams?: boolean
  /** It is the demo world of a first start. */
  readonly isTrial?: boolean
  /** Wraps the secrets that lie in the database; left out they lie there as they are. */
  readonly master?: MasterKey
  /** How this server's clock stands to the database's; taken for right without. */
  /** File on the server's own disk for what the database has no room for; null keeps none. */
  readonly readsFile?: string | null
  readonly clocks?: ComparedClock
  /** Whether what it does is counted. */
  readonly isMeasured?: boolean
}

/** The application, the keeper of the Board's lines, who pages, and who keeps the sessions. */
export interface App {
  readonly app: Express
  readonly board: BoardMender
  readonly pager: PagerSender
  readonly signIn: SignInService
  readonly noter: PlanNoter
  readonly changes: Changes
  readonly metrics: Metrics | null
  /** Keeps who read what while the database had no room for it. @returns how many */
  readonly catchUpReads: () => Promise<number>
}

/** Builds the application without listening. */
export function createApp(deps: AppDeps): App {
  const { db, clock, log, pool } = deps
  const reads = deps.reads ?? db
  const models = defineModels(db)
  const readModels = reads === db ? models : defineModels(reads)
  const events = createEventRepository(db, models)
  const streams = createStreamRepository(db, models)
  const readEvents = createEventRepository(reads, readModels)
  const readStreams = createStreamRepository(reads, readModels)
  const readChanges = createChanges(reads)
  const people = createPeopleRepository(readModels)
  const writingPeople = createPeopleRepository(models)
  const clocks = deps.clocks ?? { state: agreeing, caughtUp: () => Promise.resolve() }
  const metrics = deps.isMeasured
    ? createMetrics(
        { writes: db, reads },
        () => pager.state?.isAnswering ?? null,
        () => clocks.state.offsetMs,
      )
    : null
  const tell = createSecurityTeller(log, metrics && ((kind) => metrics.countSecurity(kind)))
  const failures = createSignInFailures(db)
  const master = deps.master ?? createMasterKey(null)
  const second = createSecondFactor(writingPeople, createRecoveryCodes(db), master, clock)
  const mustEnrol = (account: Account): boolean =>
    !account.hasSecondFactor && needsSecondFactor(account.roles, deps.secondFactorOf ?? 'nobody')
  const tries = createTryCounter({ failures, clock, sleep: deps.sleep ?? ((ms) => sleep(ms)), tell })
  const signIn = createSignInService(writingPeople, { failures, tries, gate: createSignInGate(tell), tell }, second, clock)
  const secrets = createSecretRepository(db, master)
  const keys = createDeviceKeys(secrets, clock)
  const stock = createStockRepository(db)
  const planner = createPlanner(clock, pool)
  const print = createPrint({ ofCase: deps.casePapers ?? pool, ofMany: deps.papers ?? pool })
  const append = createAppendService({
    db,
    events,
    streams,
    people: writingPeople,
    stock,
    countersigns: createCountersigns(db),
    planner,
    clock,
  })
  const noter = createPlanNoter({ db, streams, changes: createChanges(db), planner, clock, log, stopping: deps.leaving ?? deps.stopping })
  const board = createBoardMender({
    db,
    streams,
    changes: createChanges(db),
    log,
    planStay: noter.planStay,
    stopping: deps.leaving ?? deps.stopping,
  })

  const pages = createPageRepository(db)
  const line = deps.pager ?? null
  const rules = createJudgedRules(db)
  const pager = createPagerSender({ db, streams, events, pages, rules, clock, log, line })

  const acknowledge = createAcknowledge({ metrics, noter, tell })
  const held = createHeldEntries(db)

  const readCountersigns = createCountersigns(reads)
  const auditReads = createPatientReads(reads)
  const photos = createPhotoRepository(db)
  const looks = createLooksIn(reads)
  const careTeam = deps.hasCareTeams ? createCareTeam({ streams: readStreams, looks, clock }) : noCareTeams
  const readNoter = createReadNoter(auditReads, clock, deps.readsFile ? createSpooledReads(deps.readsFile) : null)
  const guard = createGuard({
    clock,
    mustEnrol,
    isOwn: (account, caseId) => ownsCase(readStreams, account, caseId, clock()),
    whoHasIt: (account, caseId) => whoHasIt(readStreams, account, caseId, clock()),
    caseOfPhoto: photos.caseOf,
    admit: careTeam.admit,
    noteRead: readNoter.noteRead,
  })

  const hub = createChangeHub({ changes: readChanges, signIn, pager: () => pager.state })
  const app = express()
  app.disable('x-powered-by')
  app.set('trust proxy', deps.proxies && deps.proxies.length > 0 ? [...deps.proxies] : false)
  app.use(letConnectionsGo(deps.leaving))
  const isNamedProxy = app.get('trust proxy fn') as (address: string, hop: number) => boolean
  app.use(tellUnnamedProxy(log, (address) => isNamedProxy(address, 0)))
  if (metrics) app.use(metrics.measure)
  const devices = deps.devices ?? []
  const screenLock = createScreenLock(writingPeople, clock)
  const cookies = createCookies(deps.isSecure ?? false)
  app.use(contentPolicy(deps.isSecure ?? false, devices))
  app.use('/api', (_request: Request, response: Response, next: NextFunction) => {
    response.set('cache-control', 'no-store')
    next()
  })
  // Whoever watches the server asks by its number, not by its name.
  app.use(healthRoutes(guard(), { reads, clock, clocks, boardLinesMended: () => board.mended, stopping: deps.leaving ?? deps.stopping }))
  if (deps.hosts) app.use(requireKnownHost(deps.hosts))
  app.use('/api', byRightClock(clocks))
  app.use(cookieParser())
  app.use('/api', readSession(signIn, screenLock, cookies))
  app.use(sessionBeforeBody(openPaths))
  app.use(readJson())
  app.use(
    sessionRoutes(guard(), {
      signIn,
      people: writingPeople,
      lock: screenLock,
      keys,
      knownDevices: createKnownDevices(secrets),
      clock,
      cookies,
      mustEnrol,
      hasCareTeams: deps.hasCareTeams === true,
      isTrial: deps.isTrial === true,
    }),
  )
  app.use(
    recordRoutes(guard(), {
      append,
      acknowledge,
      pager,
      streams: readStreams,
      events: readEvents,
      people,
      countersigns: readCountersigns,
      held: createHeldEntries(reads),
      careTeam,
      clock,
    }),
  )
  app.use(
    sealedRoutes(guard(), {
      keys,
      taker: createSealedTaker({ append, acknowledge, events, held, people: writingPeople, streams, careTeam, clock, tell }),
      settle: createHeldSettler({ append, acknowledge, held, people: writingPeople, clock }),
      held,
      streams: readStreams,
      careTeam,
      clock,
    }),
  )
  app.use(
    peopleRoutes(guard(), {
      manager: createPeopleManager({ db, people: writingPeople, events, streams, second, failures, tries, tell, clock }),
      clock,
      cookies,
    }),
  )
  app.use(countersignRoutes(guard(), { countersigns: readCountersigns, streams: readStreams, careTeam, clock }))
  app.use(looksInRoutes(guard(), { looks, streams: readStreams, clock }))
  app.use(auditRoutes(guard(), { reads: auditReads, streams: readStreams, clock }))
  app.use(handOverRoutes(guard(), { streams: readStreams, print, careTeam, clock }))
  app.use(protocolRoutes(guard(), { streams: readStreams, planner, careTeam, clock }))
  app.use(pagerRoutes(guard(), { db, events, streams, reads: readStreams, pages, sender: pager, line, clock }))
  app.use(exportRoutes(guard(), { streams: readStreams, clock }))
  app.use(recallRoutes(guard(), { stock: createStockRepository(reads), streams: readStreams, careTeam, clock }))
  app.use(historyRoutes(guard(), { streams: readStreams, careTeam, clock }))
  app.use(coreRoutes(guard(), planner))
  app.use(
    storeRoutes(guard(), {
      stock: createStockRepository(reads),
      importStock: createStockImport({ db, events, streams, stock, pool, clock }),
      print,
      clock,
    }),
  )
  app.use(paperRoutes(guard(), { streams: readStreams, planner, print, clock }))
  const plans = createStationPlans()
  const sittings = createPracticeSittings(db)
  const drills = createPracticeDrills(db)
  app.use(
    practiceRoutes(guard(), {
      sittings,
      groups: createPracticeGroups(db),
      reader: createPracticeReader({ sittings, drills, plans, clock }),
      drills: createDrillKeeper({ drills, pool, clock }),
      keeper: createSittingKeeper({ db, sittings, people: writingPeople, plans, clock }),
      plans,
      print,
      clock,
    }),
  )
  app.use(photoRoutes(guard(), { photos, streams: readStreams, clock }))
  app.use(deviceRoutes(guard(), devices))
  app.use(streamRoute(guard(), { hub, changes: readChanges, metrics, stopping: deps.stopping }))
  app.use('/api', () => {
    throw new ApiError(404, 'not-found', 'There is nothing at this address of the API.')
  })
  if (deps.webFolder) app.use(webRoutes(deps.webFolder))
  app.use(answerErrors(log))
  return { app, board, pager, signIn, noter, changes: createChanges(db), metrics, catchUpReads: readNoter.catchUp }
}

/** Nothing of the machine is asked for but its screen kept awake: a page that was broken into asks for nothing either. */
const permissions: express.RequestHandler = (_request, response, next) => {
  response.set(
    'permissions-policy',
    'camera=(), microphone=(), geolocation=(), payment=(), usb=(), serial=(), hid=(), bluetooth=(), display-capture=(), screen-wake-lock=(self)',
  )
  next()
}

function contentPolicy(isSecure: boolean, devices: readonly InstrumentInfo[]): express.RequestHandler[] {
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
    // Other hosts of the house are not ours to bind.
    strictTransportSecurity: isSecure ? { includeSubDomains: false } : false,
  })
  return [withNonce, policy as express.RequestHandler, permissions]
}
