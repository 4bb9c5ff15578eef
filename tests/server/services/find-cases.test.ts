import { expect } from 'chai'
import { QueryTypes } from 'sequelize'
import { v7 as uuidv7 } from 'uuid'
import { pastStays } from '../../../src/server/demo/past-stays'
import { defineModels } from '../../../src/server/db/models'
import { findCases, type HistoryCursor } from '../../../src/server/repositories/find-cases'
import { createEventRepository } from '../../../src/server/repositories/events'
import { createStreamRepository } from '../../../src/server/repositories/streams'
import { writeBulk } from '../../../src/server/writing/write-bulk'
import { datedQuery, datedWords } from '../../../src/server/repositories/dated-words'
import { startHarness, type Harness } from '../../harness/server-harness'

const dayMs = 86_400_000

/** The history over years: one year is looked through after the other. */
describe('finding cases', function () {
  this.timeout(60_000)
  let harness: Harness
  let cases: readonly { readonly id: string; readonly search: string }[] = []
  before(async () => {
    harness = await startHarness()
    const models = defineModels(harness.db)
    const deps = { db: harness.db, events: createEventRepository(harness.db, models), streams: createStreamRepository(harness.db, models) }
    const actors = [{ id: uuidv7(), name: 'a nurse', roles: ['clinician' as const] }]
    // Five years, a stay in six days.
    await writeBulk(deps, [...pastStays(300, { seed: 4, lastMs: Date.parse('2026-02-01T00:00:00Z'), everyMs: 6 * dayMs, actors })])
    cases = await harness.db.query<{ id: string; search: string }>('SELECT id, search FROM cases ORDER BY opened_at DESC, id DESC', {
      type: QueryTypes.SELECT,
    })
  })
  after(() => harness.stop())

  /** Every page, one after the other. */
  async function all(
    words: readonly string[],
    count: number,
    patienceMs: number,
  ): Promise<{ readonly ids: readonly string[]; readonly pages: number }> {
    const ids: string[] = []
    let before: HistoryCursor | null = null
    for (let pages = 1; ; pages++) {
      const { rows, next } = await findCases(harness.db, words, before, count, patienceMs)
      expect(rows.length).to.be.at.most(count)
      ids.push(...rows.map((row) => row.caseId))
      if (!next) return { ids, pages }
      before = next
    }
  }
  const expected = (words: readonly string[]): readonly string[] =>
    cases
      .filter(({ search }) => {
        const own = ` ${search} ${search.replace(/[-/]/g, ' ')}`
        return words.every((word) => own.includes(` ${word}`))
      })
      .map(({ id }) => id)

  it('finds the same as reading every case does, newest first and each once, however little patience there is', async () => {
    const asked = [
      [],
      ['merryn'],
      ['ward', 'a'],
      ['hocken', 'walker'],
      ['ts', '10112'],
      ['ts-10112'],
      ['left'],
      ['gluyas', 'healed'],
      ['nobody'],
    ]
    for (const words of asked)
      for (const [count, patienceMs] of [
        [7, 0],
        [50, 0],
        [50, Infinity],
      ] as const)
        expect((await all(words, count, patienceMs)).ids, `${words.join(' ')}, ${count}, ${patienceMs} ms`).to.deep.equal(expected(words))
  })

  it('without patience a rare word takes a page a year, and with it one page', async () => {
    const { pages, ids } = await all(['ts', '10290'], 50, 0)
    expect(ids).to.have.length(1)
    expect(pages, '2026 back to 2021').to.equal(6)
    expect((await all(['ts', '10290'], 50, Infinity)).pages).to.equal(1)
  })

  it('words carry their year: short ones, usual ones, and the parts of numbers and dates', () => {
    expect(datedWords('ward a ts-10/7 ward', new Date('2005-03-01T00:00:00Z'))).to.equal('y05ward y05a y05ts y0510 y057')
    expect(datedQuery(['the', 'ts-10'], 2031)).to.equal('+y31the* +y31ts* +y3110*')
    expect(datedQuery(['-/'], 2031)).to.equal(null)
  })
})
