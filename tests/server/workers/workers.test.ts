import { expect } from 'chai'
import { pino } from 'pino'
import { planFile } from '../../harness/cases/leg-slab-cases'
import { exampleOf } from '../../harness/cases/example-cases'
import { createWorkerPool, type WorkerPool } from '../../../src/server/workers/pool'
import { itAtLength } from '../../harness/long'
import { openCase, reading, startHarness, workerFile, type Client, type Harness } from '../../harness/server-harness'

describe('planning in threads', () => {
  let pool: WorkerPool
  before(() => {
    pool = createWorkerPool(workerFile)
  })
  after(() => pool.close())

  const now = '2026-01-10T08:00:00Z'

  it('plans as the core does', async () => {
    const { plan } = await pool.run('planFile', { data: exampleOf('leg-slab'), now }, 20_000)
    const plain = (value: unknown): unknown => JSON.parse(JSON.stringify(value))
    expect(plain(plan?.decisions)).to.deep.equal(plain(planFile(exampleOf('leg-slab')).decisions))
  })

  it('ends what takes longer than its time, says so, and goes on', async () => {
    const rounds = Array.from({ length: 3_000 }, (_, index) => ({ atMin: index, limbs: [{ limb: 'leg', side: 'left', refillS: 2 }] }))
    const data = { format: 'zesty-wren/check', version: 1, case: exampleOf('leg-slab'), rounds }
    const error = await pool.run('judgeFile', { data, now }, 1).catch((one: unknown) => one)
    expect(error).to.include({ status: 503, code: 'too-heavy' })
    const after = await pool.run('judgeFile', { data: { ...data, rounds: rounds.slice(0, 3) }, now }, 20_000)
    expect(after.rounds).to.have.length(3)
  })

  itAtLength('ends what takes more than its memory, and goes on', async function () {
    this.timeout(60_000)
    // Rows that are all bad: each is remembered with its words until the last is read.
    const text = `item_code,lot,expires_on,count\n${'a"b,c\n'.repeat(30)}`
    const known = Array.from({ length: 800_000 }, (_, index) => `item-${index}-${'x'.repeat(60)}`)
    const small = createWorkerPool(workerFile, { mostMemoryMb: 40 })
    const error = await small.run('readStockCsv', { text, known, before: [] }, 50_000).catch((one: unknown) => one)
    expect(error).to.include({ status: 503, code: 'too-heavy' })
    const after = await small.run('readStockCsv', { text: 'item_code,lot,expires_on,count\nx,A,,1', known: ['x'], before: [] }, 20_000)
    expect(after.counted.lots).to.deep.equal(['A'])
    await small.close()
  })
})

describe('a planner that fails', () => {
  let harness: Harness
  let ada: Client
  const lines: string[] = []
  before(async () => {
    const failing: WorkerPool = {
      run: () => Promise.reject(new Error('secret of the patient')),
      close: () => Promise.resolve(),
    }
    harness = await startHarness({ pool: failing, log: pino({ level: 'error' }, { write: (line: string) => void lines.push(line) }) })
    ada = await harness.signIn('ada', ['clinician'])
  })
  after(() => harness.stop())
  beforeEach(() => {
    lines.length = 0
  })

  it('never decides whether an event is kept', async () => {
    const opened = await openCase(ada)
    const answer = await ada.send(opened.caseStream, 'reading', reading('calf-girth', 'left', 38))
    expect(answer.status).to.equal(200)
    const { record } = (await ada.get(`/api/cases/${opened.caseStream.id}`)).body as unknown as { record: { measurements: unknown[] } }
    expect(record.measurements).to.have.length(1)
    expect(lines.join('')).to.match(/kept, and could not be planned/)
    expect(lines.join('')).not.to.match(/secret/)
  })

  it('answers 500 with a number, and logs that number, the route and the kind of error: never what was sent or said', async () => {
    const answer = await ada.post('/api/plans', { ...exampleOf('leg-slab'), note: 'Wenna Strood' })
    expect(answer.status).to.equal(500)
    const log = JSON.parse(lines[0] ?? '{}') as Record<string, unknown>
    expect(log).to.include({ route: 'POST /api/plans', code: 'Error' })
    expect(String(answer.body['detail'])).to.include(String(log['errorId']))
    expect(lines.join('')).not.to.match(/secret|Wenna|calf-girth/)
  })
})

describe('planning over the API', () => {
  let harness: Harness
  before(async () => {
    harness = await startHarness()
  })
  after(() => harness.stop())

  it('is for who may read', async () => {
    const admin = await harness.signIn('adele', ['admin'])
    const viewer = await harness.signIn('vera', ['viewer'])
    expect((await admin.post('/api/plans', exampleOf('leg-slab'))).status).to.equal(403)
    expect((await admin.post('/api/checks', {})).status).to.equal(403)
    expect((await viewer.post('/api/plans', exampleOf('leg-slab'))).status).to.equal(200)
  })

  for (const [what, value] of [
    ['a million layers', 1e6],
    ['a billion layers', 1e9],
  ] as const) {
    it(`refuses ${what} with the range`, async () => {
      const viewer = await harness.signIn(`vera-${value}`, ['viewer'])
      const overrules = [{ decision: 'cast-layers', value, reason: 'tried', by: 'A', at: '2026-01-10T08:00:00Z' }]
      const answer = await viewer.post('/api/plans', { ...exampleOf('leg-cast'), overrules })
      expect(answer.status).to.equal(422)
      expect((answer.body['errors'] as { path: string }[]).map((one) => one.path)).to.deep.equal(['overrules/cast-layers'])
    })
  }

  it('takes a file of the size of a case, and no larger', async () => {
    const viewer = await harness.signIn('vida', ['viewer'])
    const answer = await viewer.post('/api/plans', { ...exampleOf('leg-slab'), note: 'x'.repeat(300_000) })
    expect(answer.status).to.equal(413)
    expect(answer.body['detail']).to.match(/256 kB: send one case at a time/)
  })
})
