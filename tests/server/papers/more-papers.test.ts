import { expect } from 'chai'
import { PDFDocument } from 'pdf-lib'
import { readCase } from '#core/files/read-case'
import { planCase } from '#core/techniques/plan-case'
import { handOverOf } from '#ward/story/hand-over'
import { summariseRun } from '#ward/story/run-summary'
import { bothLegs } from '../../../src/server/demo/findings'
import { caseSummaryBlocks, printCaseSummary } from '../../../src/server/papers/case-summary-paper'
import { countSheetBlocks } from '../../../src/server/papers/count-sheet-paper'
import { downtimeBlocks, printDowntimePack } from '../../../src/server/papers/downtime-pack'
import { printFlow, type FlowBlock } from '../../../src/server/papers/flow-paper'
import { printHandOver } from '../../../src/server/papers/hand-over-paper'
import { incidentBlocks, printIncident } from '../../../src/server/papers/incident-paper'
import { printReceiversCard } from '../../../src/server/papers/receivers-card-paper'
import { printRunRecord } from '../../../src/server/papers/run-record-paper'
import { exampleOf } from '../../harness/cases/example-cases'
import { textsOf } from '../../harness/cases/flow-texts'
import { foldStay } from '../../harness/cases/fold-stay'
import { testContext } from '../../harness/cases/leg-slab-cases'

const printedAt = '2026-03-27T18:00:00Z'
const plan = planCase(readCase(exampleOf('leg-slab')).clinicalCase!, testContext())!
const { event, caseAfter, stayAfter } = foldStay()
const facts = { title: 'A paper', zone: 'Etc/UTC', printedAt }
const pagesOf = async (bytes: Buffer): Promise<number> => (await PDFDocument.load(bytes)).getPageCount()
const lines = (count: number): readonly FlowBlock[] => Array.from({ length: count }, (_, at) => ({ kind: 'line', text: `Line ${at}` }))

describe('how a paper flows', () => {
  it('goes over to the next page, keeps together what fits on one, and shrinks to one page where it must', async () => {
    expect(await pagesOf(await printFlow(lines(50), facts, 'a4'))).to.equal(1)
    expect(await pagesOf(await printFlow(lines(70), facts, 'a4'))).to.equal(2)
    const kept: FlowBlock = { kind: 'together', blocks: lines(50) }
    expect(await pagesOf(await printFlow([...lines(12), kept], facts, 'a4'))).to.equal(2)
    expect(await pagesOf(await printFlow([...lines(1), { kind: 'page' }, ...lines(1)], facts, 'letter'))).to.equal(2)
    expect(await pagesOf(await printFlow(lines(200), facts, 'a4', { columns: 2, isOnePage: true }))).to.equal(1)
    expect(await pagesOf(await printFlow(lines(100), facts, 'a4', { columns: 2 }))).to.equal(1)
    // What never fits goes on over pages in the smallest type rather than being cut.
    expect(await pagesOf(await printFlow(lines(900), facts, 'a4', { columns: 2, isOnePage: true }))).to.be.greaterThan(1)
  })
})

describe('a run record, a hand-over and a case summary on paper', () => {
  const record = caseAfter(
    event('plan', { plan }, 1),
    event('run-started', { runId: 'r1' }, 2),
    event('step', { runId: 'r1', stepId: plan.procedure.steps[0]?.id ?? '', outcome: 'done', reason: '' }, 3),
    event('note', { text: 'kept warm' }, 4),
    event('incident', { what: 'The slab cracked.', harm: 'minor', lot: 'PS-9917' }, 200),
  )
  const looked = stayAfter(
    event('round', { findings: bothLegs('left'), cases: ['c1'], outcome: 'done', reason: '', isBaseline: false }, 30),
  )

  it('are one page, as many as they need, and all that happened', async () => {
    const run = record.runs[0]!
    expect(
      await pagesOf(
        await printRunRecord(summariseRun(record, looked, run, plan, Date.parse(printedAt), null), 'Etc/UTC', printedAt, 'letter'),
      ),
    ).to.equal(1)
    const many = Array.from({ length: 14 }, () => handOverOf(record, looked, Date.parse(printedAt), null))
    expect(await pagesOf(await printHandOver(many, { places: 'Ward A', zone: 'Etc/UTC', printedAt }, 'a4'))).to.be.within(2, 6)
    const texts = textsOf(caseSummaryBlocks({ record, episode: looked, plan, live: null }, printedAt)).join('\n')
    for (const words of [
      'Hale Brannock',
      'The plan is accepted by Ada',
      'protocol as shipped',
      'Applied 27 Mar 2026, 10:02, Ada',
      'kept warm',
      'The slab cracked.',
      'Lot PS-9917',
    ])
      expect(texts).to.include(words)
    expect(texts).not.to.match(/undefined|NaN|null/)
    expect(await pagesOf(await printCaseSummary({ record, episode: looked, plan, live: null }, printedAt, 'a4'))).to.be.within(1, 3)
  })

  it('an incident has room to look into it; a case without one has none', async () => {
    expect(incidentBlocks(caseAfter(), 'Etc/UTC')).to.deep.equal([])
    expect(textsOf(incidentBlocks(record, 'Etc/UTC'))).to.deep.equal([
      'Incident, 27 Mar 2026, 13:20: minor harm',
      'The slab cracked.',
      'Lot PS-9917. Reported by Ada.',
    ])
    expect(await pagesOf(await printIncident(record, looked, printedAt, 'a4'))).to.equal(1)
  })

  it('a downtime pack is the list, then a page for each patient with chart and release', async () => {
    const packed = { record, episode: looked, plan, live: null }
    const pack = { places: 'Ward A', zone: 'Etc/UTC', printedAt }
    const texts = textsOf(downtimeBlocks([packed], pack, 'Downtime')).join('\n')
    expect(texts).to.include('1 patient, the worst first.').and.to.include('Release now').and.to.include('Call now:')
    for (const line of plan.care) expect(texts).to.include(line)
    expect(await pagesOf(await printDowntimePack([packed, packed, packed], pack, 'a4'))).to.equal(7)
    expect(await pagesOf(await printDowntimePack([], pack, 'a4'))).to.equal(1)
  })
})

describe('a count sheet', () => {
  it('has every lot with what is on record, and room for one more of each item', () => {
    const lot = { lotId: 'l1', itemCode: 'plaster-15', lot: 'PL-1', expiresOn: '2027-03-31', count: 12 }
    const line = { itemCode: 'plaster-15', label: 'Plaster 15 cm', item: { item: 'plaster' }, lowMark: 4, reserved: 2, lots: [lot] }
    const table = countSheetBlocks('Count: Plaster room', [line]).find((sheetBlock) => sheetBlock.kind === 'table')
    expect(table?.rows).to.deep.equal([
      ['Plaster 15 cm', 'PL-1', '2027-03-31', '12', ''],
      ['Plaster 15 cm', '', '', '', ''],
    ])
    expect(countSheetBlocks('Count: Empty', []).find((sheetBlock) => sheetBlock.kind === 'table')?.rows).to.deep.equal([])
  })
})

describe('a receiver’s card on paper', () => {
  it('is one page also after a long night, with its codes on it', async () => {
    const busy = caseAfter(
      event('plan', { plan }, 1),
      event('run-started', { runId: 'r1' }, 2),
      ...Array.from({ length: 6 }, (_, at) => event('note', { text: 'w'.repeat(1800) }, 5 + at)),
      ...Array.from({ length: 12 }, (_, at) =>
        event('task-added', { text: `Look at the toes, ${at}`, dueAt: printedAt, who: '' }, 20 + at),
      ),
    )
    const looked = stayAfter(
      event('flags', { flags: ['anticoagulated', 'diabetes', 'several-injuries', 'head-injury'] }, 1),
      ...[5, 30, 60].map((atMin, index) =>
        event('round', { findings: bothLegs('left'), cases: ['c1'], outcome: 'done', reason: '', isBaseline: index === 0 }, atMin),
      ),
    )
    for (const sheet of ['a4', 'letter'] as const)
      expect(await pagesOf(await printReceiversCard(busy, looked, plan, printedAt, sheet)), sheet).to.equal(1)
  })
})
