import { expect } from 'chai'
import type { Caution } from '#core/model/plan'
import type { Step } from '#core/model/step'
import { freshSince, stopsOn, unmarkedStraps } from '#core/runs/what-binds'

const step = (change: Partial<Step> = {}): Step => ({
  id: 'close-collar',
  text: '',
  why: '',
  prevents: '',
  after: [],
  roles: [],
  hands: ['apply'],
  holds: null,
  minutes: [1, 1, 1],
  wet: false,
  cautions: [],
  where: [],
  ...change,
})
const caution = (change: Partial<Caution> = {}): Caution => ({
  level: 'stop',
  code: 'airway-at-risk',
  text: 'Hands and blocks as found.',
  why: '',
  decisions: [],
  steps: ['close-collar', 'hold-head'],
  ...change,
})
const facts = (cautions: readonly Caution[], change = {}) => ({ cautions, isOpening: false, isColumn: true, ...change })

describe('what binds a step', () => {
  it('is a stop that names it and that nobody set aside', () => {
    expect(stopsOn(step(), facts([caution()])).map((one) => one.code)).to.deep.equal(['airway-at-risk'])
    expect(stopsOn(step(), facts([caution({ level: 'caution' }), caution({ steps: ['pad'] })]))).to.deep.equal([])
    expect(stopsOn(step(), facts([caution({ overruled: { reason: 'r', by: 'b', at: '' } })]))).to.deep.equal([])
  })
  it('says one stop once, although plan in force and waiting change both bring it', () => {
    expect(stopsOn(step(), facts([caution(), caution({ text: 'other words' })]))).to.have.length(1)
  })
  it('is nothing where a run opens, or where a step begins to hold the head', () => {
    expect(stopsOn(step(), facts([caution()], { isOpening: true }))).to.deep.equal([])
    const hold = step({ id: 'hold-head', holds: { what: 'head', from: 'hold-head', to: 'after-check', place: 'hold-joint' } })
    expect(stopsOn(hold, facts([caution()]))).to.deep.equal([])
    expect(stopsOn(hold, facts([caution()], { isColumn: false }))).to.have.length(1)
  })
  it('is every strap that is not closed', () => {
    const straps = { order: 'any' as const, straps: ['a', 'b', 'c'].map((id) => ({ id, label: id.toUpperCase(), slackCm: null })) }
    const marks = new Map([
      ['a', 'snug'],
      ['b', 'touched'],
    ])
    expect(unmarkedStraps(step({ straps }), marks)).to.deep.equal(['B', 'C'])
    expect(unmarkedStraps(step(), marks)).to.deep.equal([])
  })
  it('is a check from before the last thing that was done', () => {
    const entries = [
      { stepId: 'wet', outcome: 'done', at: '2026-01-10T08:05:00Z' },
      { stepId: 'mould', outcome: 'skipped', at: '2026-01-10T08:09:00Z' },
      { stepId: 'after-check', outcome: 'done', at: '2026-01-10T08:20:00Z' },
    ]
    const since = freshSince(step({ id: 'after-check' }), entries, '2026-01-10T08:00:00Z')
    expect(new Date(since).toISOString()).to.equal('2026-01-10T08:05:00.000Z')
    expect(freshSince(step(), [], '2026-01-10T08:00:00Z')).to.equal(Date.parse('2026-01-10T08:00:00Z'))
  })
})
