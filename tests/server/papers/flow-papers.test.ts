import { expect } from 'chai'
import { PDFDict, PDFDocument, PDFName } from 'pdf-lib'
import { readCase } from '#core/files/read-case'
import { inUnits } from '#core/quantities/words-in-units'
import { homeWarnings } from '#core/standing/home-warnings'
import { planCase } from '#core/techniques/plan-case'
import type { Plan } from '#core/model/plan'
import { observationsOf } from '#contract/records/observations'
import { chartOf } from '#ward/rounds/round-chart'
import { bothLegs } from '../../../src/server/demo/findings'
import { caseSummaryBlocks } from '../../../src/server/papers/case-summary-paper'
import { printFlow, type FlowBlock } from '../../../src/server/papers/flow-paper'
import { printRoundChart, roundChartBlocks } from '../../../src/server/papers/round-chart-paper'
import { printTakeHome, takeHomeBlocks } from '../../../src/server/papers/take-home-paper'
import { exampleOf, techniqueIds } from '../../harness/cases/example-cases'
import { textsOf } from '../../harness/cases/flow-texts'
import { foldStay } from '../../harness/cases/fold-stay'
import { faultsInWords } from '../../harness/cases/plain-words'
import { testContext } from '../../harness/cases/leg-slab-cases'

const { stay, event, caseAfter, stayAfter } = foldStay()
const printedAt = '2026-03-27T18:00:00Z'
const home = {
  helper: 'Sister, next door',
  stairs: 'can',
  phone: '0491 570 006',
  callNumber: '0491 570 110',
  walkingAid: 'crutches',
  taughtBack: 'white toes or numb: I call at once',
}
const planOf = (technique: string): Plan => planCase(readCase(exampleOf(technique)).clinicalCase!, testContext())!

describe('a paper for who reads inches', () => {
  it('says every length of the plan in inches, and draws the limb as it is', () => {
    const plan = planOf('leg-slab')
    const read = inUnits(plan, 'inches')
    const told = { record: caseAfter(event('plan', { plan }, 0)), episode: stay, live: null }
    const metric = textsOf(caseSummaryBlocks({ ...told, plan }, printedAt)).join('\n')
    const inches = textsOf(caseSummaryBlocks({ ...told, plan: read }, printedAt)).join('\n')
    expect(metric).to.match(/Slab width: 25 cm/)
    expect(inches).to.match(/Slab width: 9\.8 in/)
    expect(inches).to.not.match(/\d cm\b/)
    expect(read.geometry).to.deep.equal(plan.geometry)
  })
})

describe('a figure on paper', () => {
  for (const technique of techniqueIds) {
    it(`${technique}: what is worn and where to look is drawn, and said to who cannot see it`, async () => {
      const plan = planOf(technique)
      const record = { ...caseAfter(event('plan', { plan }, 0)), technique }
      const [figure] = takeHomeBlocks(record, stay, plan, printedAt, 'At home').filter((block) => block.kind === 'figure')
      expect(figure?.kind === 'figure' && figure.alt).to.match(/^What you wear, and where to look: .+\.$/)
      const pdf = await PDFDocument.load(await printFlow(figure ? [figure] : [], { title: 'Figure', zone: 'Etc/UTC', printedAt }, 'a4'))
      expect(pdf.getPageCount()).to.equal(1)
      const tags = pdf.context
        .enumerateIndirectObjects()
        .flatMap(([, one]) =>
          one instanceof PDFDict && one.get(PDFName.of('S')) === PDFName.of('Figure') ? [one.get(PDFName.of('Alt'))] : [],
        )
      expect(tags).to.have.length(1)
    })
  }

  it('of a limb that nothing is known of takes no room', async () => {
    const empty: FlowBlock = { kind: 'figure', geometry: { ...planOf('leg-slab').geometry, stations: [] }, findings: [], alt: 'nothing' }
    const bytes = await printFlow([empty, { kind: 'line', text: 'after' }], { title: 'Figure', zone: 'Etc/UTC', printedAt }, 'letter')
    expect((await PDFDocument.load(bytes)).getPageCount()).to.equal(1)
  })
})

describe('the take-home sheet', () => {
  it('says first when to come back, then the number, then the patient’s own times and words', () => {
    const plan = planOf('leg-slab')
    const record = caseAfter(event('plan', { plan }, 0), event('ended', { how: 'home', note: '', home }, 200))
    const texts = textsOf(takeHomeBlocks(record, stay, plan, printedAt, 'At home'))
    const at = (wanted: RegExp): number => texts.findIndex((text) => wanted.test(text))
    expect(at(/toes turn white/)).to.be.within(1, 6)
    expect(at(/call: 0491 570 110/)).to.be.greaterThan(at(/toes turn white/))
    expect(texts.join('\n'))
      .to.include('Friday 27 March, 10:00')
      .and.to.include('You walk with crutches')
      .and.to.include('Sister, next door')
      .and.to.include(home.taughtBack)
    for (const line of plan.care) expect(texts).to.include(line)
  })

  it('leaves room for the number where none is known yet', () => {
    const texts = textsOf(takeHomeBlocks(caseAfter(), stay, planOf('leg-slab'), printedAt, 'At home'))
    expect(texts.some((text) => /call: _+/.test(text))).to.equal(true)
  })

  it('says how it goes on again only where that is ordered; otherwise that nobody takes it off', () => {
    const { record, stay: its } = foldStay({ technique: 'trunk-shell' })
    const plan = planOf('trunk-shell')
    const wording = (change: object): string =>
      textsOf(takeHomeBlocks({ ...record, ...change }, its, plan, printedAt, 'At home')).join('\n')
    expect(wording({})).to.include('Do not open it and do not take it off').and.not.to.include('Off, and on again')
    const ordered = wording({
      orders: { atHome: { by: 'Dr Quill', at: printedAt } },
      measurements: [{ id: 'edge-to-notch-loose', value: 3.4, unit: 'cm' }],
    })
    expect(ordered, 'what opens by straps is not cut').to.include('Do not wait for the morning.').and.not.to.include('cut it open')
    expect(ordered).to.include('Off, and on again').and.to.include('3.4').and.not.to.include('Do not open it and')
    const slab = foldStay({ technique: 'leg-slab' })
    const texts = textsOf(takeHomeBlocks(slab.record, slab.stay, planOf('leg-slab'), printedAt, 'At home')).join('\n')
    expect(texts).not.to.match(/on again/)
    expect(texts).to.include('Do not cut it open yourself')
  })

  it('warns by what is on: fingers of an arm, breath with a leg, the cord with a neck or a trunk', () => {
    expect(homeWarnings('break', 'arm').join()).to.include('fingers').and.not.to.include('calf')
    expect(homeWarnings('break', 'leg').join()).to.include('toes').and.to.include('short of breath')
    expect(homeWarnings('head', 'neck').join()).to.include('swallow')
    expect(homeWarnings('spine', 'trunk').join()).to.include('pass water').and.to.include('short of breath')
  })

  for (const technique of techniqueIds) {
    it(`prints for ${technique}, tagged, in its language and with its title`, async () => {
      const { record, stay: its } = foldStay({ technique })
      const pdf = await PDFDocument.load(await printTakeHome(record, its, planOf(technique), printedAt, 'a4'))
      expect(pdf.getTitle()).to.match(/^At home with your /)
      expect(pdf.catalog.get(PDFName.of('Lang'))?.toString()).to.equal('(en)')
      expect(pdf.catalog.get(PDFName.of('MarkInfo'))).to.not.equal(undefined)
      expect(pdf.catalog.get(PDFName.of('StructTreeRoot'))).to.not.equal(undefined)
      expect(pdf.getPageCount()).to.be.within(1, 3)
    })
  }
})

describe('the words of papers', () => {
  for (const technique of techniqueIds) {
    it(`${technique}: are for people`, () => {
      const { record, stay: its } = foldStay({ technique })
      const plan = planOf(technique)
      const planned = { ...record, accepted: { plan, by: 'Ada Finch', at: printedAt } } as typeof record
      const known = {
        ...its,
        flags: ['latex-allergy', 'lives-alone'] as const,
        asked: [{ question: 'diabetes', injuryId: null, at: printedAt, by: 'Ada Finch' }] as const,
      }
      const texts = [
        ...textsOf(takeHomeBlocks(planned, known, plan, printedAt, 'At home')),
        ...textsOf(caseSummaryBlocks({ record: planned, episode: known, plan, live: null }, printedAt)),
        ...textsOf(roundChartBlocks(planned, known)),
      ]
      expect(texts.join('\n')).to.include('Latex allergy, Lives alone').and.to.include('Asked, not so: diabetes')
      expect(faultsInWords(texts.join('\n'))).to.deep.equal([])
    })
  }
})

describe('the round chart', () => {
  const round = (atMin: number, change: object) =>
    event('round', { cases: ['c1'], isBaseline: false, outcome: 'done', reason: '', findings: bothLegs('left', change) }, atMin)
  const rounds = [10, 20, 30, 40].map((atMin) => round(atMin, { restPain: atMin / 10 }))
  const watched = stayAfter(...rounds)

  it('shows the last rounds, item by item', () => {
    const chart = chartOf(caseAfter(), watched)
    expect(chart.times).to.have.length(3)
    expect(chart.rows.find((row) => row.id === 'leg-left/restPain')).to.deep.include({
      label: 'left leg pain at rest',
      values: ['2', '3', '4'],
    })
    expect(chart.rows.find((row) => row.id === 'leg-left/refill')?.values).to.have.length(3)
  })

  it('keeps an urgent round of the last day beside newer ones, and says which it was', () => {
    const bad = stayAfter(round(5, { pulse: 'absent' }), ...rounds)
    const chart = chartOf(caseAfter(), bad)
    expect(chart.times).to.have.length(4)
    expect(chart.isUrgent).to.deep.equal([true, false, false, false])
    const [, table] = roundChartBlocks(caseAfter(), bad).slice(1)
    expect(table?.kind === 'table' && table.head)
      .to.include('27 Mar 10:05 urgent')
      .and.to.have.length(8)
    const later = stayAfter(round(5, { pulse: 'absent' }), ...[1, 2, 3, 4].map((at) => round(25 * 60 + at, {})))
    expect(chartOf(caseAfter(), later).isUrgent).to.deep.equal([false, false, false])
  })

  it('says why something could not be assessed, and leaves out what was not looked at', () => {
    const blind = {
      findings: { limbs: [{ limb: 'leg' as const, side: 'left' as const, pulse: { cannotAssess: true as const, reason: 'asleep' } }] },
    }
    expect(observationsOf(blind)).to.deep.equal([{ item: 'leg-left/pulse', value: 'cannot: asleep' }])
    expect(chartOf(caseAfter(), stay)).to.deep.equal({ times: [], by: [], isUrgent: [], rows: [] })
  })

  it('prints with rounds and without any, on either sheet', async () => {
    for (const sheet of ['a4', 'letter'] as const) {
      for (const one of [watched, stay]) expect((await printRoundChart(caseAfter(), one, printedAt, sheet)).length).to.be.greaterThan(1_000)
    }
  })

  it('goes on over as many pages as it needs', async () => {
    const blocks: readonly FlowBlock[] = [
      { kind: 'title', text: 'Long' },
      { kind: 'list', lines: Array.from({ length: 120 }, (_, at) => `line ${at}`) },
    ]
    const pdf = await PDFDocument.load(await printFlow(blocks, { title: 'Long', zone: 'Etc/UTC', printedAt }, 'a4'))
    expect(pdf.getPageCount()).to.equal(3)
  })
})
