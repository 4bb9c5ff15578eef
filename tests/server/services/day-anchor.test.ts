import { mkdtemp, readFile, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect } from 'chai'
import { pino } from 'pino'
import { QueryTypes } from 'sequelize'
import { defineModels } from '../../../src/server/db/models'
import { createAnchorKeeper } from '../../../src/server/jobs/anchor-keeper'
import { keptAnchors, type DayAnchor } from '../../../src/server/services/day-anchor'
import { verifyDatabase } from '../../../src/server/services/verify-database'
import { openCase, startHarness, type Client, type Harness } from '../../harness/server-harness'

const dayMs = 86_400_000

describe('the anchor of a day', () => {
  let harness: Harness
  let ada: Client
  let folder: string
  before(async () => {
    folder = await mkdtemp(join(tmpdir(), 'wren-anchors-'))
  })
  after(() => rm(folder, { recursive: true, force: true }))
  beforeEach(async () => {
    harness = await startHarness()
    ada = await harness.signIn('ada', ['clinician'])
  })
  afterEach(() => harness.stop())

  const log = pino({ level: 'silent' })
  const tick = (file: string | null = null): Promise<void> =>
    createAnchorKeeper({ db: harness.db, clock: () => harness.now, log, file }).tick()
  const faults = async (outside: readonly DayAnchor[] = []): Promise<readonly string[]> =>
    (await verifyDatabase(harness.db, defineModels(harness.db), outside)).faults.map(({ where, what }) => `${where}: ${what}`)
  const change = (sql: string): Promise<unknown> => harness.db.query(sql, { type: QueryTypes.RAW })

  it('is kept once a day, from five past midnight on, over what came since the one before', async () => {
    await tick()
    expect((await keptAnchors(harness.db)).map(({ day, since, lines }) => ({ day, since, lines }))).to.deep.equal([
      { day: '2026-01-10', since: null, lines: 0 },
    ])
    await openCase(ada)
    harness.now = Date.parse('2026-01-11T00:04:59Z')
    await tick()
    expect(await keptAnchors(harness.db)).to.have.length(1)
    harness.now = Date.parse('2026-01-11T00:05:00Z')
    await Promise.all([tick(), tick(), tick()])
    const [, second] = await keptAnchors(harness.db)
    // The person who was added, the stay with its injury, and the case.
    expect(second).to.include({ day: '2026-01-11', since: '2026-01-10', lines: 4 })
    harness.now += 3 * dayMs
    await tick()
    const third = (await keptAnchors(harness.db)).at(-1)
    expect(third).to.include({ day: '2026-01-14', since: '2026-01-11', lines: 0 })
    expect(third?.hash).not.to.equal(second?.hash)
    expect(await faults()).to.deep.equal([])
  })

  it('shows a stream that was taken out whole, which no chain can show', async () => {
    const { caseStream } = await openCase(ada)
    harness.now += dayMs
    await tick()
    await change(`DELETE FROM events WHERE stream_id = '${caseStream.id}'`)
    await change(`DELETE FROM cases WHERE id = '${caseStream.id}'`)
    expect(await faults()).to.deep.equal(['anchor 2026-01-11: is not what was received before it comes to'])
  })

  it('is written outside too: anchors that were changed along with the rows show there', async () => {
    const file = join(folder, 'anchors')
    await openCase(ada)
    harness.now += dayMs
    await tick(file)
    await tick(file)
    const outside = (await readFile(file, 'utf8')).trim().split('\n')
    expect(outside).to.have.length(1)
    const written = outside.map((line) => JSON.parse(line) as DayAnchor)
    expect(await faults(written)).to.deep.equal([])
    await change('DELETE FROM audit_anchors')
    await tick()
    await change(`UPDATE audit_anchors SET hash = REPEAT('0', 64)`)
    expect(await faults(written)).to.have.members([
      'anchor 2026-01-11: is not what was received before it comes to',
      'anchor 2026-01-11: is not the one that was written outside',
    ])
  })

  it('days on which the file could not be written are written later, each once', async () => {
    const file = join(folder, 'later')
    await tick()
    harness.now += dayMs
    await tick(join(folder, 'no such folder', 'anchors'))
    harness.now += dayMs
    await tick(file)
    await tick(file)
    const days = (await readFile(file, 'utf8'))
      .trim()
      .split('\n')
      .map((line) => (JSON.parse(line) as DayAnchor).day)
    expect(days).to.deep.equal(['2026-01-10', '2026-01-11', '2026-01-12'])
    expect(
      await faults(
        (await readFile(file, 'utf8'))
          .trim()
          .split('\n')
          .map((line) => JSON.parse(line) as DayAnchor),
      ),
    ).to.deep.equal([])
  })

  it('a file that cannot be written costs no anchor, and no server', async () => {
    await tick(join(folder, 'no', 'such', 'folder', 'anchors'))
    expect(await keptAnchors(harness.db)).to.have.length(1)
  })

  it('an event by an older rule still holds, and one of a rule that nobody knows does not', async () => {
    const { caseStream } = await openCase(ada)
    await change(`UPDATE events SET rule = 9 WHERE stream_id = '${caseStream.id}'`)
    expect(await faults()).to.deep.equal([`case ${caseStream.id}: the chain breaks at event 1 (case-opened)`])
  })
})
