import { fork, type ChildProcess } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { expect } from 'chai'
import { QueryTypes, type Sequelize } from 'sequelize'
import { connectDatabase } from '../../src/server/db/connect'
import { defineModels } from '../../src/server/db/models'
import { verifyDatabase } from '../../src/server/services/verify-database'
import { chooseOwnPassword } from './browser/own-password'
import type { Ledger } from './ledger'
import { freePort } from './live-server'

interface Database {
  readonly url: string
  readonly port: number
  stop(): Promise<void>
}
type StartDatabase = (folder: string, say: () => void, options: { port?: number }) => Promise<Database>

export const root = fileURLToPath(new URL('../..', import.meta.url))
const { startDatabase } = (await import(`${root}/scripts/database.mjs`)) as { startDatabase: StartDatabase }

/** A server of its own process, which may be killed. */
export interface OwnServer {
  readonly port: number
  readonly address: string
  /** The process that runs now. */
  child(): ChildProcess
  kill(): Promise<void>
  /** Starts it again where it was; resolves when it is ready. */
  start(): Promise<void>
}

/** A database as in earnest, which the database of the tests is not, with servers on it. */
export interface DurableServers {
  readonly db: Sequelize
  readonly url: string
  /** Who may do everything there. */
  readonly lead: { readonly name: string; readonly password: string; readonly id: string }
  readonly servers: readonly OwnServer[]
  /** Kills the database and starts it where it was. */
  killDatabase(): Promise<void>
  stop(): Promise<void>
}

/**
 * Starts a database and some servers on it.
 * @param count of servers
 * @param env what they are told besides
 * @param folder where the database lies
 */
export async function startDurableServers(
  count: number,
  env: Readonly<Record<string, string>> = {},
  folder = mkdtempSync(join(tmpdir(), 'wren-faults-')),
): Promise<DurableServers> {
  let database = await startDatabase(folder, () => undefined, {})
  let firstPassword = ''
  const servers: OwnServer[] = []
  for (let made = 0; made < count; made++) {
    const server = await makeServer(database.url, env, (password) => (firstPassword ||= password))
    servers.push(server)
  }
  const password = await chooseOwnPassword(servers[0]?.address ?? '', 'lead', firstPassword)
  const db = connectDatabase(database.url)
  const [row] = await db.query<{ id: string }>("SELECT id FROM people WHERE sign_in = 'lead'", { type: QueryTypes.SELECT })
  if (!row) throw new Error('The server made nobody')
  return {
    db,
    url: database.url,
    lead: { name: 'lead', password, id: row.id },
    servers,
    async killDatabase() {
      process.kill(Number(readFileSync(join(folder, 'mariadb.pid'), 'utf8')), 'SIGKILL')
      database = await startDatabase(folder, () => undefined, { port: database.port })
    },
    async stop() {
      await db.close()
      for (const server of servers) await server.kill()
      await database.stop()
      rmSync(folder, { recursive: true, force: true })
    },
  }
}

async function makeServer(url: string, env: Readonly<Record<string, string>>, hear: (password: string) => void): Promise<OwnServer> {
  const port = await freePort()
  let child: ChildProcess
  const start = async (): Promise<void> => {
    child = fork(join(root, 'dist/server/main.js'), {
      env: { ...process.env, NODE_ENV: 'production', DATABASE_URL: url, PORT: String(port), WREN_WEB: 'none', ...env },
    })
    await new Promise<void>((resolve, reject) => {
      child.once('message', (message) => {
        hear((message as { password: string | null }).password ?? '')
        resolve()
      })
      child.once('exit', () => reject(new Error('the server stopped while starting')))
    })
  }
  await start()
  return {
    port,
    address: `http://127.0.0.1:${port}`,
    child: () => child,
    start,
    async kill() {
      if (child.exitCode !== null || child.signalCode !== null) return
      const ended = new Promise((resolve) => child.once('exit', resolve))
      child.kill('SIGKILL')
      await ended
    },
  }
}

/** Nothing that was acknowledged is lost, nothing is there twice or was never sent, and every chain and snapshot holds. */
export async function expectWhole(db: Sequelize, ledger: Ledger): Promise<void> {
  await ledger.finish()
  const kept = await db.query<{ id: string; body: string }>("SELECT id, body FROM events WHERE kind = 'note' AND stream_id IN (:cases)", {
    type: QueryTypes.SELECT,
    replacements: { cases: ledger.cases.map((one) => one.caseStream.id) },
  })
  expect(new Set(kept.map((one) => one.id))).to.deep.equal(ledger.acknowledged)
  expect(kept.map((one) => (JSON.parse(one.body) as { text: string }).text)).to.have.members(
    ledger.sent.map((input) => (input.body as { text: string }).text),
  )
  expect((await verifyDatabase(db, defineModels(db))).faults).to.deep.equal([])
}
