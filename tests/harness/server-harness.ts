import type { Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import type { Express } from 'express'
import { pino, type Logger } from 'pino'
import type { Sequelize } from 'sequelize'
import { v7 as uuidv7 } from 'uuid'
import { unknownInjury } from '#contract/records/episode'
import type { EventInput } from '#contract/event'
import { eventKinds, type EventKindId } from '#contract/events/index'
import { protocolOf } from '#contract/records/case'
import { toClinicalCase } from '#ward/case/clinical-case'
import type { Role } from '#contract/rights'
import { newestVersion } from '#contract/events/upcast'
import { createApp, type AppDeps } from '../../src/server/app'
import { connectDatabase, connectReads } from '../../src/server/db/connect'
import { migrate } from '../../src/server/db/migrate'
import { defineModels } from '../../src/server/db/models'
import { emptyTables } from './empty-tables'
import type { PagerLine, PagerSender } from '../../src/server/jobs/pager-sender'
import { createPlanner, type Planner } from '../../src/server/planning/planner'
import { createEventRepository } from '../../src/server/repositories/events'
import { createStreamRepository } from '../../src/server/repositories/streams'
import { createPeopleRepository } from '../../src/server/repositories/people'
import { addPerson } from '../../src/server/people/add-person'
import { hashPassword } from '../../src/server/people/password'
import type { Metrics } from '../../src/server/services/metrics'
import type { BoardMender } from '../../src/server/services/mend-board'
import type { Doubts } from '../../src/server/workers/worker'
import { createWorkerPool, type WorkerPool } from '../../src/server/workers/pool'
import { demandOneAtATime } from './one-at-a-time'
import { closeLater } from './shared'

export const password = 'a test password'
/** Tests sign in hundreds of times: what a hash costs in earnest is tested once. */
const cheapHash = { N: 2 ** 8, r: 8, p: 1 }
/** The worker as npm test built it. */
export const workerFile = new URL('../../dist/server/worker.js', import.meta.url)

/** The application on a free port over the real test database, with a clock that tests move. */
export interface Harness {
  readonly app: Express
  readonly db: Sequelize
  readonly pool: WorkerPool
  readonly board: BoardMender
  readonly pager: PagerSender
  readonly planner: Planner
  readonly metrics: Metrics | null
  readonly address: string
  now: number
  /** What the core thinks of a case as it stands now. */
  doubtsOf(caseId: string): Promise<Doubts>
  /** Adds a person and signs in as them. */
  signIn(name: string, roles: readonly Role[]): Promise<Client>
  stop(): Promise<void>
}

export interface Answer {
  readonly status: number
  readonly body: Record<string, unknown>
  readonly headers: Headers
}

/** A signed-in client: cookie and CSRF token are kept. */
export interface Client {
  readonly personId: string
  readonly cookie: string
  readonly csrf: string
  get(path: string): Promise<Answer>
  /** What a path answers, as bytes. */
  getBytes(path: string): Promise<{ readonly status: number; readonly bytes: Uint8Array }>
  post(path: string, body: unknown, headers?: Record<string, string>): Promise<Answer>
  /** Sends bytes or text as they are. */
  sendRaw(path: string, body: Buffer | string, type: string): Promise<Answer>
  /** Sends an event; `base` is filled in for replacing kinds unless given. */
  send(stream: EventInput['stream'], kind: EventKindId, body: object, base?: number): Promise<Answer>
  /** As `send`, with more of the envelope said. */
  sendAs(stream: EventInput['stream'], kind: EventKindId, body: object, envelope: Partial<EventInput>): Promise<Answer>
}

/** What a test puts in place of the real thing. */
export interface HarnessOptions {
  readonly pager?: PagerLine
  readonly pool?: WorkerPool
  readonly log?: Logger
  /** It is a second server beside one that runs: what is in the database stays. */
  readonly keeps?: boolean
  /** Another way to the database of the tests. */
  readonly url?: string
  /** More of what the application is told. */
  readonly app?: Partial<AppDeps>
}

/** What a server of this process is still planning: a test that reads after it wrote reads what came of it. */
const planned = new Map<string, () => Promise<void>>()

let sharedPool: WorkerPool | null = null

/** The worker threads of all harnesses: what they work out does not hang on who asks, and they are a second in starting. */
function poolOfAll(): WorkerPool {
  if (!sharedPool) {
    const pool = (sharedPool = createWorkerPool(workerFile))
    closeLater(() => {
      sharedPool = null
      return pool.close()
    })
  }
  return sharedPool
}

/** Starts the application on an empty database. */
export async function startHarness(options: HarnessOptions = {}): Promise<Harness> {
  const url = options.url ?? process.env['TEST_DATABASE_URL']
  if (!url) throw new Error('TEST_DATABASE_URL is not set: run the suite through npm test')
  const db = connectDatabase(url)
  demandOneAtATime(db)
  await migrate(db)
  if (!options.keeps) await emptyTables(db)
  const state = { now: Date.parse('2026-01-10T08:00:00Z') }
  const clock = (): number => state.now
  const reads = connectReads(url)
  const pool = options.pool ?? poolOfAll()
  const planner = createPlanner(clock, pool)
  const { app, board, pager, noter, metrics } = createApp({
    db,
    reads,
    pool,
    clock,
    log: options.log ?? pino({ level: 'silent' }),
    webFolder: null,
    sleep: () => Promise.resolve(),
    pager: options.pager ?? null,
    ...options.app,
  })
  const server = await new Promise<Server>((resolve) => {
    const listening = app.listen(0, '127.0.0.1', () => resolve(listening))
  })
  const address = `http://127.0.0.1:${(server.address() as AddressInfo).port}`
  planned.set(address, () => noter.settled())
  const models = defineModels(db)
  const people = createPeopleRepository(models)
  const events = createEventRepository(db, models)

  return {
    app,
    db,
    pool,
    board,
    pager,
    metrics,
    planner,
    address,
    get now() {
      return state.now
    },
    set now(time: number) {
      state.now = time
    },
    async doubtsOf(caseId) {
      const streams = createStreamRepository(db, models)
      const found = await streams.findCase(caseId)
      const episode = found && (await streams.findEpisode(found.record.episodeId))
      if (!found || !episode) throw new Error(`there is no case ${caseId}`)
      return planner.doubts(toClinicalCase(found.record, episode.record), protocolOf(found.record))
    },
    async signIn(name, roles) {
      const id = uuidv7()
      await addPerson(
        { db, people, events, clock },
        { id, name, signIn: name, passwordHash: await hashPassword(password, cheapHash), roles },
      )
      return openClient(address, id, name)
    },
    async stop() {
      await noter.settled()
      planned.delete(address)
      await new Promise((resolve) => {
        server.close(resolve)
        server.closeAllConnections()
      })
      await options.pool?.close()
      await reads.close()
      await db.close()
    },
  }
}

/** Any request, answered with status and parsed body. */
export async function request(address: string, path: string, init: RequestInit = {}): Promise<Answer> {
  const response = await fetch(`${address}${path}`, init)
  const text = await response.text()
  const isJson = (response.headers.get('content-type') ?? '').includes('json')
  return {
    status: response.status,
    headers: response.headers,
    body: text && isJson ? (JSON.parse(text) as Record<string, unknown>) : { text },
  }
}

/** Signs in somebody who is known there. */
export async function openClient(address: string, personId: string, name: string, theirPassword = password): Promise<Client> {
  const signedIn = await request(address, '/api/session', {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ name, password: theirPassword }),
  })
  return clientOf(address, personId, signedIn)
}

/** The client of a session that was just begun. */
export function clientOf(address: string, personId: string, signedIn: Answer): Client {
  const cookie = (signedIn.headers.get('set-cookie') ?? '').split(';')[0] ?? ''
  const csrf = String(signedIn.body['csrf'])
  const versions = new Map<string, number>()
  const client: Client = {
    personId,
    cookie,
    csrf,
    async get(path) {
      await planned.get(address)?.()
      // As a page does, which knows its token.
      return request(address, path, { headers: { cookie, 'x-csrf-token': csrf } })
    },
    async getBytes(path) {
      await planned.get(address)?.()
      const response = await fetch(`${address}${path}`, { headers: { cookie, 'x-csrf-token': csrf } })
      return { status: response.status, bytes: new Uint8Array(await response.arrayBuffer()) }
    },
    post: (path, body, headers = {}) =>
      request(address, path, {
        method: 'POST',
        headers: { cookie, 'x-csrf-token': csrf, 'content-type': 'application/json', ...headers },
        body: typeof body === 'string' ? body : JSON.stringify(body),
      }),
    sendRaw: (path, body, type) =>
      request(address, path, {
        method: 'POST',
        headers: { cookie, 'x-csrf-token': csrf, 'content-type': type },
        body: typeof body === 'string' ? body : new Uint8Array(body),
      }),
    send: (stream, kind, body, base) => client.sendAs(stream, kind, body, base === undefined ? {} : { base }),
    async sendAs(stream, kind, body, envelope) {
      const needsBase = eventKinds[kind].nature === 'replacing'
      const event: EventInput = {
        id: uuidv7(),
        stream,
        kind,
        v: newestVersion(kind),
        body,
        at: '2026-01-10T08:00:00Z',
        offsetMs: 0,
        ...(needsBase ? { base: versions.get(stream.id) ?? 0 } : {}),
        ...envelope,
      }
      const answer = await client.post('/api/events', event)
      if (answer.status === 200) versions.set(stream.id, Number(answer.body['version']))
      return answer
    },
  }
  return client
}

export interface OpenedCase {
  readonly caseStream: EventInput['stream']
  readonly episodeStream: EventInput['stream']
  readonly injuryId: string
}

/** Opens a stay with a fresh, moderately swollen left ankle and a case of a technique, a back slab unless said. */
export async function openCase(client: Client, technique = 'leg-slab'): Promise<OpenedCase> {
  const episodeStream = { type: 'episode', id: uuidv7() } as const
  const caseStream = { type: 'case', id: uuidv7() } as const
  const injuryId = uuidv7()
  await client.send(episodeStream, 'episode-opened', { patientId: uuidv7(), place: 'Bay 1', zone: 'Etc/UTC' })
  await client.send(episodeStream, 'injury', {
    injuryId,
    injury: { ...unknownInjury, region: 'ankle', side: 'left', pattern: 'malleolar-fracture', swelling: 'moderate' },
  })
  await client.send(caseStream, 'case-opened', { episodeId: episodeStream.id, injuryId, technique })
  return { caseStream, episodeStream, injuryId }
}

/** A reading in cm. */
export function reading(id: string, side: 'left' | 'right', value: number): object {
  return { id, side, value, unit: 'cm', tool: 'tape' }
}
