import { expect } from 'chai'
import { startCutLine } from '../../harness/browser/cut-line'
import { expectWhole, startDurableServers, type DurableServers, type OwnServer } from '../../harness/durable-servers'
import { startLedger } from '../../harness/ledger'
import { longSeed } from '../../harness/long'
import { makeDraws } from '../../harness/cases/random-draws'
import { patienceMs } from '../../harness/patience'

const writers = 6
/** How often, in the long run alone; the moments are drawn by its seed. */
const kills = { server: 15, database: 5, line: 60 }
const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms))

/** Waits until something is so, looked at every 20 ms. */
async function until(isSo: () => boolean, words: string): Promise<void> {
  const latest = Date.now() + patienceMs
  while (!isSo()) {
    if (Date.now() > latest) throw new Error(words)
    await pause(20)
  }
}

describe('through faults', function () {
  this.timeout(600_000)
  let all: DurableServers
  let server: OwnServer
  before(async () => {
    all = await startDurableServers(1)
    server = all.servers[0]!
  })
  after(() => all.stop())

  it(`the server killed ${kills.server} times while it writes`, async () => {
    const draw = makeDraws(longSeed + 14)
    const ledger = await startLedger(server.address, all.lead, writers)
    for (let count = 0; count < kills.server; count++) {
      // Every third time something was taken since it started: a slow machine would else be killed each time before it takes anything.
      const taken = ledger.acknowledged.size
      if (count % 3 === 0) await until(() => ledger.acknowledged.size > taken, 'nothing is taken')
      await pause(draw(20, 600))
      await server.kill()
      await server.start()
    }
    await expectWhole(all.db, ledger)
    expect(ledger.acknowledged.size).to.be.greaterThan(writers)
  })

  it(`the database killed ${kills.database} times: it comes back, and the server goes on without being started again`, async () => {
    const draw = makeDraws(longSeed + 15)
    const ledger = await startLedger(server.address, all.lead, writers)
    const child = server.child()
    for (let count = 0; count < kills.database; count++) {
      await pause(draw(100, 500))
      await all.killDatabase()
    }
    await expectWhole(all.db, ledger)
    expect([server.child(), child.exitCode]).to.deep.equal([child, null])
  })

  it(`the line cut ${kills.line} times in the middle of requests`, async () => {
    const draw = makeDraws(longSeed + 16)
    const line = await startCutLine(server.address)
    const ledger = await startLedger(line.address, all.lead, writers)
    for (let count = 0; count < kills.line; count++) {
      await pause(draw(0, 40))
      await line.cut()
      await line.mend()
    }
    await expectWhole(all.db, ledger)
  })

  it('asked to stop it finishes what is in flight, and what is sent meanwhile waits for it', async () => {
    const ledger = await startLedger(server.address, all.lead, writers)
    await pause(150)
    const ended = new Promise((resolve) => server.child().once('exit', resolve))
    server.child().kill('SIGTERM')
    expect(await ended).to.equal(0)
    await server.start()
    await expectWhole(all.db, ledger)
  })
})
