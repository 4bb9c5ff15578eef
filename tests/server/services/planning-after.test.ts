import { expect } from 'chai'
import { QueryTypes } from 'sequelize'
import { defaultSetup } from '#contract/records/case'
import type { BoardRow } from '#contract/api/board'
import { bothLegs } from '../../../src/server/demo/findings'
import { createWorkerPool, type WorkerPool } from '../../../src/server/workers/pool'
import {
  openCase,
  reading,
  request,
  startHarness,
  workerFile,
  type Client,
  type Harness,
  type OpenedCase,
} from '../../harness/server-harness'

/** Threads whose planning waits until a test lets it go, and that count what was planned. */
function gatedPool(): { readonly pool: WorkerPool; readonly planned: () => number; hold(): void; release(): void } {
  const real = createWorkerPool(workerFile)
  let [count, release] = [0, (): void => undefined]
  let gate = Promise.resolve()
  return {
    planned: () => count,
    hold: () => void (gate = new Promise((resolve) => (release = resolve))),
    release: () => release(),
    pool: {
      ...real,
      run(name, input, limitMs) {
        if (name !== 'doubts') return real.run(name, input, limitMs)
        count++
        return gate.then(() => real.run(name, input, limitMs))
      },
    },
  }
}

describe('planning after a write', () => {
  const gated = gatedPool()
  let harness: Harness
  let ada: Client
  let opened: OpenedCase
  before(async () => {
    harness = await startHarness({ pool: gated.pool })
    ada = await harness.signIn('ada', ['clinician'])
    opened = await openCase(ada)
  })
  after(async () => {
    gated.release()
    await harness.stop()
  })

  /** The Board's line as it is at this moment, whatever is being planned. */
  const rowNow = async (): Promise<BoardRow | undefined> => {
    const { body } = await request(harness.address, '/api/board', { headers: { cookie: ada.cookie } })
    return (body['rows'] as BoardRow[]).find((row) => row.caseId === opened.caseStream.id)
  }
  /** The same once nothing is being planned. */
  const rowThen = async (): Promise<BoardRow | undefined> =>
    ((await ada.get('/api/board')).body['rows'] as BoardRow[]).find((row) => row.caseId === opened.caseStream.id)
  const version = async (): Promise<number> => Number((await ada.get(`/api/cases/${opened.caseStream.id}`)).body['version'])
  const linesOf = (id: string): Promise<{ version: number }[]> =>
    harness.db.query('SELECT version FROM changes WHERE stream_id = :id ORDER BY seq', { type: QueryTypes.SELECT, replacements: { id } })

  it('is waited for by nobody; its stop comes to the Board, and is told of, once it is done', async () => {
    const base = await version()
    gated.hold()
    const answer = await ada.send(opened.caseStream, 'setup', { ...defaultSetup, waterC: 60 }, base)
    expect(answer.status).to.equal(200)
    expect((await rowNow())?.level).to.not.equal('stop')
    const before = (await linesOf(opened.caseStream.id)).length
    gated.release()
    expect((await rowThen())?.level).to.equal('stop')
    const lines = await linesOf(opened.caseStream.id)
    expect(lines).to.have.length(before + 1)
    expect(lines.at(-1)?.version, 'the row alone changed').to.equal(base + 1)
  })

  it('is done only where what a plan is made of has changed', async () => {
    const findings = bothLegs('left')
    const round = { cases: [opened.caseStream.id], isBaseline: false, outcome: 'done', reason: '', findings }
    // The first round says that feeling was tested: that is of the plan.
    expect((await ada.send(opened.episodeStream, 'round', round)).status).to.equal(200)
    await version()
    const before = gated.planned()
    await ada.send(opened.caseStream, 'note', { text: 'kept warm' })
    expect((await ada.send(opened.episodeStream, 'round', round)).status).to.equal(200)
    await version()
    expect(gated.planned()).to.equal(before)
    await ada.send(opened.caseStream, 'reading', reading('calf-girth', 'left', 38))
    await version()
    expect(gated.planned()).to.equal(before + 1)
  })

  it('is done once for all that came while it ran', async () => {
    await version()
    const before = gated.planned()
    gated.hold()
    for (const cm of [36, 36.5, 37, 37.5]) await ada.send(opened.caseStream, 'reading', reading('calf-girth', 'left', cm))
    gated.release()
    await version()
    expect(gated.planned() - before).to.be.within(1, 2)
  })

  it('says what the case is now also where another server planned it in between', async () => {
    const other = await startHarness({ keeps: true })
    after(() => other.stop())
    const bram = await other.signIn('bram', ['clinician'])
    const setWater = async (client: Client, waterC: number): Promise<void> => {
      const base = Number((await client.get(`/api/cases/${opened.caseStream.id}`)).body['version'])
      expect((await client.send(opened.caseStream, 'setup', { ...defaultSetup, waterC }, base)).status).to.equal(200)
      await client.get('/api/board')
    }
    await setWater(ada, 60)
    await setWater(bram, 22)
    expect((await rowThen())?.level).to.not.equal('stop')
    await setWater(ada, 60)
    expect((await rowThen())?.level).to.equal('stop')
  })
})
