import { randomBytes } from 'node:crypto'
import { hostname, tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { pino } from 'pino'
import { v7 as uuidv7 } from 'uuid'
import { instruments, type InstrumentId } from '#core/quantities/instrument-line'
import type { InstrumentInfo } from '#contract/api/instruments'
import { createApp } from './app'
import { createMasterKey } from './ground/master-key'
import { createLog } from './ground/once-a-minute'
import { tryAnchorFile } from './ground/anchor-file'
import { systemClock } from './ground/clock'
import { readConfiguration } from './ground/configuration'
import { connectDatabase, connectReads, connectUnhurried } from './db/connect'
import { dropTables } from './db/folder-schemas'
import { migrate } from './db/migrate'
import { defineModels } from './db/models'
import { demoPassword, loadDemoWorld } from './demo/load-demo-world'
import { beatMs, createClockCheck } from './jobs/clock-check'
import { createAnchorKeeper } from './jobs/anchor-keeper'
import { serveMetrics } from './jobs/metrics-server'
import { createEventRepository } from './repositories/events'
import { createServers } from './repositories/servers'
import { createPeopleRepository } from './repositories/people'
import { wrapAtStart } from './services/rotate-secrets'
import { createStockRepository } from './repositories/stock'
import { createWorkerPool } from './workers/pool'
import { startWords } from './ground/start-words'
import { syncCatalogue } from './services/sync-catalogue'
import { addPerson } from './people/add-person'
import { hashPassword } from './people/password'

const hourMs = 3_600_000
/** So often it is looked whether this server stood still. */
const watchingMs = 1_000
const pagingMs = 1_000
const paperMemoryMb = 256
const mostWriting = 10
const anchoringMs = 10 * 60_000
/** A request that was not answered by then is cut. */
const longestRequestMs = 15_000
/**
 * So long a connection without a request is kept: longer than any proxy or device keeps its own (60 s, `haproxy.cfg`).
 * Whoever closes first decides: closed here at the moment a request is sent, that request would be lost with its answer.
 */
const keptIdleMs = 75_000

/** What the supervisor hears once the server listens. */
interface ReadyMessage {
  ready: true
  address: string
  people: { name: string; signIn: string; roles: string }[]
  password: string | null
  /** The password is a one-time code: one of their own is chosen first. */
  isOneTime: boolean
}

async function main(): Promise<void> {
  const configuration = readConfiguration(process.env)
  const { databaseUrl: url, port } = configuration
  if (configuration.anchorFile !== null) tryAnchorFile(configuration.anchorFile)
  const log = createLog(configuration.logLevel, pino.destination(2))
  const db = connectDatabase(url, mostWriting, configuration.isCluster)
  const master = createMasterKey(configuration.masterKey)
  const first = connectUnhurried(url, configuration.isCluster)
  const demo = process.env['WREN_DEMO'] ?? 'none'
  // Begun anew, whoever made it: one of another version cannot be emptied, only taken away.
  if (demo === 'fresh') await dropTables(first)
  await migrate(first)
  await wrapAtStart(first, master)
  await first.close()
  const models = defineModels(db)
  const people = createPeopleRepository(models)
  const workerFile = new URL('./worker.js', import.meta.url)
  const pool = createWorkerPool(workerFile, { warm: 1 })
  // Of their own: a pack of a whole ward must not keep a plan waiting.
  const papers = createWorkerPool(workerFile, { mostMemoryMb: paperMemoryMb, threads: 1 })
  // And a label at a bed must wait neither behind the packs nor, beside them, for a thread to start.
  const casePapers = createWorkerPool(workerFile, { mostMemoryMb: paperMemoryMb, threads: 1, warm: 1 })
  if (demo !== 'none' && (await people.count()) === 0) await loadDemoWorld({ db, pool, now: systemClock() })
  const events = createEventRepository(db, models)
  const firstPassword = (await people.count()) === 0 ? randomBytes(9).toString('base64url') : null
  if (firstPassword) {
    const id = uuidv7()
    await addPerson(
      { db, people, events, clock: systemClock },
      { id, name: 'First lead', signIn: 'lead', passwordHash: await hashPassword(firstPassword), roles: ['lead', 'admin'] },
    )
    // It stands in a journal or on a screen: whoever comes in by it chooses another before anything else.
    await db.transaction((transaction) => people.saveAccess(id, { mustChange: true }, transaction))
  }
  await syncCatalogue(createStockRepository(db))

  const webFolder = process.env['WREN_WEB'] ?? fileURLToPath(new URL('../web', import.meta.url))
  const reads = connectReads(url, configuration.isCluster)
  const clocks = createClockCheck({ servers: createServers(db), clock: systemClock, log, self: { id: uuidv7(), host: hostname() } })
  await clocks.tick()
  const beating = setInterval(() => void clocks.tick(), beatMs)
  const watching = setInterval(() => void clocks.caughtUp(), watchingMs)
  const [leaving, stopping] = [new AbortController(), new AbortController()]
  const { app, board, pager, signIn, changes, metrics, catchUpReads } = createApp({
    db,
    reads,
    pool,
    papers,
    casePapers,
    leaving: leaving.signal,
    stopping: stopping.signal,
    isSecure: configuration.isSecure,
    secondFactorOf: configuration.secondFactorOf,
    hasCareTeams: configuration.hasCareTeams,
    isTrial: process.env['WREN_TRIAL'] === '1',
    master,
    hosts: configuration.hosts,
    proxies: configuration.proxies,
    clocks,
    readsFile: configuration.readsFile ?? join(tmpdir(), `zesty-wren-reads-${port}.jsonl`),
    isMeasured: configuration.metricsPort !== null,
    clock: clocks.now,
    log,
    webFolder: webFolder === 'none' ? null : webFolder,
    devices: readDevices(),
    pager: configuration.pager,
  })
  const metering = metrics && configuration.metricsPort !== null ? await serveMetrics(metrics.registry, configuration.metricsPort) : null
  const server = app.listen(port, '127.0.0.1')
  server.keepAliveTimeout = keptIdleMs
  server.on('error', (error: NodeJS.ErrnoException) => {
    process.stderr.write(
      error.code === 'EADDRINUSE'
        ? `Port ${port} is in use: stop what uses it, or ${process.send ? 'start with --port and another number' : 'set PORT to another number'}.\n`
        : `${error.message}\n`,
    )
    process.exit(1)
  })
  server.on('listening', () => void announce(port))

  const anchors = createAnchorKeeper({ db, clock: clocks.databaseNow, isTrusted: clocks.isTrusted, log, file: configuration.anchorFile })
  const catchUp = (): Promise<unknown> =>
    catchUpReads().catch((error: unknown) => log.error({ reason: (error as Error).name }, 'who read what could not be caught up'))
  const anchoring = setInterval(() => void catchUp().then(() => anchors.tick()), anchoringMs)
  void catchUp()
  void anchors.tick()
  const sweep = (): Promise<void> =>
    Promise.all([signIn.sweep(), changes.sweep()]).then(
      () => undefined,
      (error: unknown) => log.error({ reason: (error as Error).name }, 'what is over could not be swept'),
    )
  const mending = setInterval(() => void board.mendAll().then(sweep), hourMs)
  void board.mendAll()
  const paging = setInterval(() => void pager.tick(), pagingMs)

  /** Turns away whoever is new, finishes what is in flight, then lets go of the database; a second signal ends at once. */
  const stop = (): void => {
    if (leaving.signal.aborted) process.exit(1)
    leaving.abort()
    setTimeout(finish, configuration.drainMs)
  }
  const finish = (): void => {
    clearInterval(mending)
    clearInterval(paging)
    clearInterval(anchoring)
    clearInterval(beating)
    clearInterval(watching)
    stopping.abort()
    metering?.close()
    setTimeout(() => server.closeAllConnections(), longestRequestMs).unref()
    server.close(
      () =>
        void clocks
          .leave()
          .then(() => Promise.allSettled([pool.close(), papers.close(), casePapers.close(), db.close(), reads.close()]))
          .then(() => process.exit(0)),
    )
    // A connection that has its answer is kept open for the next request: there is none any more.
    setInterval(() => server.closeIdleConnections(), 50).unref()
  }
  process.on('SIGTERM', stop)
  process.on('SIGINT', stop)
  // Without its supervisor nobody would end it.
  process.on('disconnect', () => {
    if (!leaving.signal.aborted) stop()
  })

  async function announce(listening: number): Promise<void> {
    const staff = (await people.list()).filter((account) => demo !== 'none' || (firstPassword && account.signIn === 'lead'))
    const message: ReadyMessage = {
      ready: true,
      address: `http://127.0.0.1:${listening}`,
      password: staff.length === 0 ? null : (firstPassword ?? demoPassword),
      isOneTime: firstPassword !== null,
      people: staff.map((account) => ({ name: account.name, signIn: account.signIn, roles: account.roles.join(', ') })),
    }
    if (process.send) process.send(message)
    // As a service it has nobody to tell but its journal: said once, and never written down elsewhere.
    else if (firstPassword)
      process.stdout.write(`Nobody was here yet: sign in as lead with the one-time code ${firstPassword} in place of a password\n`)
  }
}

/** Stand-ins that the supervisor started, each as `WREN_<ID>=port`. */
function readDevices(): readonly InstrumentInfo[] {
  const names: Record<InstrumentId, string> = { tape: 'Tern tape', goniometer: 'Tern goniometer', scale: 'Tern load scale' }
  return (Object.keys(instruments) as InstrumentId[]).flatMap((id) => {
    const port = Number(process.env[`WREN_${id.toUpperCase()}`])
    if (!Number.isInteger(port) || port < 1) return []
    return [{ id, name: names[id], stream: `ws://127.0.0.1:${port}/${id}`, panel: `http://127.0.0.1:${port}/` }]
  })
}

main().catch((error: unknown) => {
  process.stderr.write(`${startWords(error)}\n`)
  process.exit(1)
})
