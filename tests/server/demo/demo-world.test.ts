import { expect } from 'chai'
import { techniques } from '#core/techniques/registry'
import type { BoardRow } from '#contract/api/board'
import { copyWorld } from '../../harness/copy-world'
import { demoStaff } from '../../../src/server/demo/staff'
import { startHarness, type Harness } from '../../harness/server-harness'

describe('the demo world', () => {
  let harness: Harness
  before(async function () {
    this.timeout(90_000)
    harness = await startHarness()
    const [url, world] = [process.env['TEST_DATABASE_URL'], process.env['TEST_WORLD']]
    if (!url || !world) throw new Error('There is no demo world: run the suite through npm test')
    await copyWorld(url, world)
    harness.now = Date.now()
  })
  after(() => harness.stop())

  it('has a dozen staff of all five roles', () => {
    expect(demoStaff).to.have.length.of.at.least(12)
    expect(new Set(demoStaff.flatMap((one) => one.roles))).to.have.property('size', 5)
  })

  it('has cases at every stage, one overdue and one worsening, all relative to now', async () => {
    const client = await harness.signIn('observer', ['viewer'])
    const rows = (await client.get('/api/board')).body['rows'] as BoardRow[]
    expect(new Set(rows.map((row) => row.stage))).to.include.all.keys(
      'size-up',
      'measure',
      'choose',
      'make-ready',
      'apply',
      'check',
      'watch',
    )
    expect(new Set(rows.map((row) => row.technique))).to.have.property('size', techniques.length)
    expect(rows.filter((row) => row.level === 'review' || row.level === 'urgent')).to.have.length.of.at.least(2)
    expect(rows.some((row) => row.level === 'review' || row.level === 'urgent')).to.equal(true)
    const isOverdue = (row: BoardRow): boolean => row.nextDueAt !== null && harness.now > Date.parse(row.nextDueAt) + row.graceMin * 60_000
    expect(rows.filter(isOverdue)).to.have.length.of.at.least(1)
    for (const row of rows) expect(Math.abs(Date.parse(row.openedAt) - harness.now)).to.be.below(5 * 24 * 3_600_000)
  })

  it('has three months of history: cases that ended in every way, none of them on the Board', async () => {
    const client = await harness.signIn('reader', ['viewer'])
    const found: BoardRow[] = []
    for (let after: string | null = ''; after !== null;) {
      const { body } = await client.get(`/api/history?q=${after ? `&after=${encodeURIComponent(after)}` : ''}`)
      found.push(...(body['rows'] as BoardRow[]))
      after = body['next'] as string | null
    }
    const ended = found.filter((row) => !row.isOnBoard)
    expect(new Set(ended.map((row) => row.ended?.how ?? 'off'))).to.include.all.keys(
      'off',
      'home',
      'theatre',
      'other-hospital',
      'died',
      'voided',
    )
    const oldest = Math.min(...ended.map((row) => Date.parse(row.openedAt)))
    expect((harness.now - oldest) / 86_400_000).to.be.within(80, 93)
    expect(ended.length).to.be.greaterThan(90)
  })
})
