import { expect } from 'chai'
import { readCase } from '#core/files/read-case'
import { planCase } from '#core/techniques/plan-case'
import type { StockLine } from '#contract/records/store'
import { lotLines, lotsToPick, usedItems } from '#ward/case/lots-used'
import { summariseRun } from '#ward/story/run-summary'
import { bothLegs } from '../../src/server/demo/findings'
import { exampleOf, techniqueIds } from '../harness/cases/example-cases'
import { foldStay } from '../harness/cases/fold-stay'
import { testContext } from '../harness/cases/leg-slab-cases'

const planOf = (technique: string) => planCase(readCase(exampleOf(technique)).clinicalCase!, testContext())!
const plan = planOf('leg-cast')
const { startMs, event, caseAfter, stayAfter } = foldStay({ technique: 'leg-cast', isOn: false })
type Event = ReturnType<typeof event>
const setup = (waterC: number, atMin: number): Event =>
  event('setup', { people: 2, waterC, roomC: 21, backing: 'pillow', packSetMin: null, wearDays: null }, atMin)
const clock = (timerId: string, kind: string, until: string, atMin: number): Event =>
  event('timer', { runId: 'r1', timerId, label: 'Setting', minutes: 5, kind, until }, atMin)
const step = (stepId: string, atMin: number, more: object = {}): Event =>
  event('step', { runId: 'r1', stepId, outcome: 'done', reason: '', ...more }, atMin)
const begun = (...events: readonly Event[]) => caseAfter(event('run-started', { runId: 'r1', plan }, 1), ...events)
const summaryOf = (record: ReturnType<typeof caseAfter>, stay = stayAfter()) =>
  summariseRun(record, stay, record.runs.at(-1)!, plan, startMs + 300 * 60_000, null)
const linesOf = (record: ReturnType<typeof caseAfter>, id: string, stay = stayAfter()): readonly string[] =>
  summaryOf(record, stay)
    .sections.find((section) => section.id === id)
    ?.lines.map((line) => line.text) ?? []

describe('the run record', () => {
  it('has water and room as they were at wetting, whatever is set since', () => {
    const water = (record: ReturnType<typeof caseAfter>): string | undefined =>
      summaryOf(record).facts.find(([name]) => name === 'Water, room')?.[1]
    expect(water(begun(setup(24, 2)))).to.equal('24 °C, 21 °C, on a pillow, as set')
    const wetted = [setup(24, 2), clock('set', 'set', 'mould', 3)]
    expect(water(begun(...wetted, setup(40, 9)))).to.equal('24 °C, 21 °C, on a pillow, at wetting')
    expect(water(begun(...wetted, setup(30, 9), clock('set-2', 'set', 'upper', 10)))).to.equal(
      '24 °C, 21 °C, on a pillow; then 30 °C, 21 °C, on a pillow, at wetting',
    )
  })

  it('says of a hold that ended early after how long, and why', () => {
    const hold = clock('hold', 'hold', 'mould', 3)
    expect(linesOf(begun(hold, step('mould', 5.5, { reason: 'too hot' })), 'timers')).to.deep.equal([
      'Setting, 5 min: ended early, after 2.5 min: too hot',
    ])
    expect(linesOf(begun(hold, step('mould', 8)), 'timers')).to.deep.equal(['Setting, 5 min'])
    expect(linesOf(begun(hold, event('timer-ended', { runId: 'r1', timerId: 'hold' }, 4)), 'timers')[0]).to.include('after 1 min')
    // Done before the last minute is what a limit is for.
    expect(linesOf(begun(clock('blade', 'limit', 'cut', 3), step('cut', 4)), 'timers')).to.deep.equal(['Setting, 5 min'])
  })

  it('says what was kept in spite of what, and why', () => {
    const record = begun(step('roll', 4, { despite: ['hot-water'], reason: 'no other water here' }))
    expect(linesOf(record, 'spite').join()).to.match(/roll done in spite of hot water: no other water here/i)
  })

  it('an opening tells the urgent rounds that it was opened for', () => {
    const round = (atMin: number, change: object): Event =>
      event('round', { findings: bothLegs('left', change), cases: ['c1'], outcome: 'done', reason: '', isBaseline: atMin === 0 }, atMin)
    const stay = stayAfter(round(0, {}), round(60, {}), round(120, { pulse: 'absent' }), round(140, {}))
    const record = caseAfter(
      event('run-started', { runId: 'r1', plan }, 1),
      event('applied', {}, 30),
      event('run-started', { runId: 'r2', technique: 'cast-opening', isOpenNow: true }, 121),
    )
    expect(linesOf(record, 'checks', stay)).to.have.length(3)
    expect(linesOf(record, 'checks', stay)[1]).to.match(/urgent/)
  })

  it('names the patient by name, birth date and number, and says which nobody knows', () => {
    expect(summaryOf(begun()).facts[0]).to.deep.equal(['Patient', 'Hale Brannock, birth date not known, number not known'])
  })
})

describe('lots of what was used', () => {
  it('are asked of every material and device of every technique, each once', () => {
    for (const technique of techniqueIds) {
      const items = usedItems(planOf(technique))
      expect(new Set(items.map((item) => item.id)).size, technique).to.equal(items.length)
      for (const { label } of items) expect(label, technique).to.match(/\w/)
    }
    expect(usedItems(plan).length).to.be.greaterThan(1)
  })

  it('stand in the record as named, as unknown, or as not asked; the last answer counts', () => {
    const [first, second] = usedItems(plan)
    const say = (item: string, lots: readonly string[], atMin: number): Event => event('lots', { item, lots }, atMin)
    const record = begun(say(first!.id, ['OLD'], 2), say(first!.id, ['TS-1', 'TS-2'], 3), say(second!.id, [], 4))
    const lines = linesOf(record, 'materials')
    expect(lines[0]).to.match(/: lots TS-1, TS-2$/)
    expect(lines[1]).to.match(/: lot unknown$/)
    expect(linesOf(begun(), 'materials')[0]).to.match(/: lot not asked$/)
  })

  it('keep an answer about what the plan does not use any more', () => {
    const record = begun(event('lots', { item: 'other-roll', lots: ['X-1'] }, 2))
    expect(lotLines(record, plan).at(-1)).to.deep.include({ id: 'other-roll', label: 'other roll' })
  })

  it('are picked from the store, those taken for the case first', () => {
    const [item] = usedItems(plan)
    const material = plan.materials[0]!
    const lot = (lotId: string, number: string) => ({ lotId, itemCode: 'a', lot: number, expiresOn: null, count: 1 })
    const line = {
      itemCode: 'a',
      label: 'A',
      item: { item: material.item, ...(material.widthCm === null ? {} : { widthCm: material.widthCm }) },
      lowMark: 0,
      reserved: 0,
      lots: [lot('l1', 'ONE'), lot('l2', 'TWO')],
    } as unknown as StockLine
    const taken = [{ lotId: 'l2', caseId: 'c1', delta: -1 }]
    expect(lotsToPick(item!, [line], taken, 'c1')).to.deep.equal([
      { lot: 'TWO', isTaken: true },
      { lot: 'ONE', isTaken: false },
    ])
    expect(lotsToPick(item!, [line], taken, 'c2').map((one) => one.isTaken)).to.deep.equal([false, false])
  })
})
