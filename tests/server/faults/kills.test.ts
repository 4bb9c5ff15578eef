import { fork, type ChildProcess } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { expect } from 'chai'
import { QueryTypes, type Sequelize } from 'sequelize'
import { connectDatabase } from '../../../src/server/db/connect'
import { defineModels } from '../../../src/server/db/models'
import { verifyDatabase } from '../../../src/server/services/verify-database'
import { startCutLine } from '../../harness/cut-line'
import { startLedger, type Ledger } from '../../harness/ledger'
import { freePort } from '../../harness/live-server'
import { isLong } from '../../harness/long'
import { makeDraws } from '../../harness/random-draws'

interface Database {
  readonly url: string
  readonly port: number
  stop(): Promise<void>
}
type StartDatabase = (folder: string, say: () => void, options: { port?: number }) => Promise<Database>

const root = fileURLToPath(new URL('../../..', import.meta.url))
const { startDatabase } = (await import(`${root}/scripts/database.mjs`)) as { startDatabase: StartDatabase }
const writers = 6
/** In earnest, with WREN_LONG: what the issue of it asks for. */
const kills = isLong ? { server: 100, database: 30, line: 200 } : { server: 6, database: 3, line: 40 }

const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms))

describe('through faults', function () {
  this.timeout(isLong ? 1_800_000 : 240_000)
  let folder: string
  let database: Database
  let db: Sequelize
  let port: number
  let server: ChildProcess
  let lead: { name: string; password: string; id: string }

  const startServer = async (): Promise<{ password: string }> => {
    server = fork(join(root, 'dist/server/main.js'), {
      env: { ...process.env, NODE_ENV: 'production', DATABASE_URL: database.url, PORT: String(port), WREN_DEMO: 'none', WREN_WEB: 'none' },
    })
    return new Promise((resolve, reject) => {
      server.once('message', (message) => resolve(message as { password: string }))
      server.once('exit', () => reject(new Error('the server stopped while starting')))
    })
  }
  const kill = async (child: ChildProcess): Promise<void> => {
    const ended = new Promise((resolve) => child.once('exit', resolve))
    child.removeAllListeners('message')
    child.kill('SIGKILL')
    await ended
  }

  before(async () => {
    folder = mkdtempSync(join(tmpdir(), 'wren-faults-'))
    // Of its own, and kept as in earnest: the database of the tests is not made to survive anything.
    database = await startDatabase(folder, () => undefined, {})
    port = await freePort()
    const { password } = await startServer()
    db = connectDatabase(database.url)
    const [row] = await db.query<{ id: string }>("SELECT id FROM people WHERE sign_in = 'lead'", { type: QueryTypes.SELECT })
    lead = { name: 'lead', password, id: row!.id }
  })
  after(async () => {
    await db.close()
    if (server.exitCode === null && server.signalCode === null) await kill(server)
    await database.stop()
    rmSync(folder, { recursive: true, force: true })
  })

  /** Nothing that was acknowledged is lost, nothing is there twice or was never sent, and every chain and snapshot holds. */
  const expectWhole = async (ledger: Ledger): Promise<void> => {
    await ledger.finish()
    const kept = await db.query<{ id: string; body: string }>("SELECT id, body FROM events WHERE kind = 'note' AND stream_id IN (:cases)", {
      type: QueryTypes.SELECT,
      replacements: { cases: ledger.cases.map((one) => one.caseStream.id) },
    })
    expect(new Set(kept.map((one) => one.id))).to.deep.equal(ledger.acknowledged)
    expect(kept.map((one) => (JSON.parse(one.body) as { text: string }).text)).to.have.members(
      ledger.sent.map((one) => (one.body as { text: string }).text),
    )
    expect((await verifyDatabase(db, defineModels(db))).faults).to.deep.equal([])
  }

  it(`the server killed ${kills.server} times while it writes`, async () => {
    const draw = makeDraws(14)
    const ledger = await startLedger(`http://127.0.0.1:${port}`, lead, writers)
    for (let count = 0; count < kills.server; count++) {
      await pause(draw(20, 270))
      await kill(server)
      await startServer()
    }
    await expectWhole(ledger)
    expect(ledger.acknowledged.size).to.be.greaterThan(kills.server)
  })

  it(`the database killed ${kills.database} times: it comes back, and the server goes on without being started again`, async () => {
    const draw = makeDraws(15)
    const ledger = await startLedger(`http://127.0.0.1:${port}`, lead, writers)
    const pid = server.pid
    for (let count = 0; count < kills.database; count++) {
      await pause(draw(100, 500))
      process.kill(Number(readFileSync(join(folder, 'mariadb.pid'), 'utf8')), 'SIGKILL')
      database = await startDatabase(folder, () => undefined, { port: database.port })
    }
    await expectWhole(ledger)
    expect([server.pid, server.exitCode]).to.deep.equal([pid, null])
  })

  it(`the line cut ${kills.line} times in the middle of requests`, async () => {
    const draw = makeDraws(16)
    const line = await startCutLine(`http://127.0.0.1:${port}`)
    const ledger = await startLedger(line.address, lead, writers)
    for (let count = 0; count < kills.line; count++) {
      await pause(draw(0, 40))
      await line.cut()
      await line.mend()
    }
    await expectWhole(ledger)
  })

  it('asked to stop it says that it is not ready, and finishes what is in flight', async () => {
    const ledger = await startLedger(`http://127.0.0.1:${port}`, lead, writers)
    await pause(150)
    const ended = new Promise((resolve) => server.once('exit', resolve))
    server.kill('SIGTERM')
    expect(await ended).to.equal(0)
    await startServer()
    await expectWhole(ledger)
  })
})
