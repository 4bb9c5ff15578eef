import { expect } from 'chai'
import type { Caution } from '#core/model/plan'
import type { Step } from '#core/model/step'
import { freshSince, stopsOn, unmarkedStraps, waitsForOrder, waysOn, type BindingFacts } from '#core/runs/what-binds'
import { bareStep } from '../../harness/cases/bare-step'

const step = (change: Partial<Step> = {}): Step => bareStep({ id: 'close-collar', ...change })
const caution = (change: Partial<Caution> = {}): Caution => ({
  level: 'stop',
  code: 'airway-at-risk',
  text: 'Hands and blocks as found.',
  why: '',
  decisions: [],
  steps: ['close-collar', 'hold-head'],
  ...change,
})
const head = step({ id: 'hold-head', roles: ['hold-taken'], holds: { what: 'head', from: 'hold-head', to: 'check', place: 'hold-joint' } })
const closing = step({ id: 'close-collar', roles: ['closes'] })
const tie = step({ id: 'tie', roles: ['closes'] })
const check = step({ id: 'check', roles: ['check-after'] })
const steps = [head, closing, tie, check]
const facts = (cautions: readonly Caution[], change: Partial<BindingFacts> = {}): BindingFacts => ({
  steps,
  states: new Map(),
  cautions,
  dangers: [],
  isOpening: false,
  ...change,
})
const left = (outcome: 'done' | 'skipped', ...despite: string[]) => new Map([['close-collar', { outcome, despite }]])
const codes = (one: Step, given: BindingFacts): readonly string[] => stopsOn(one, given).map((stop) => stop.code)

describe('what binds a step', () => {
  it('is a stop that names it and that nobody set aside', () => {
    expect(codes(closing, facts([caution()]))).to.deep.equal(['airway-at-risk'])
    expect(codes(closing, facts([caution({ level: 'caution' }), caution({ steps: ['pad'] })]))).to.deep.equal([])
    expect(codes(closing, facts([caution({ overruled: { reason: 'r', by: 'b', at: '' } })]))).to.deep.equal([])
  })
  it('says one stop once, although plan in force and waiting change both bring it', () => {
    expect(codes(closing, facts([caution(), caution({ text: 'other words' })]))).to.have.length(1)
  })
  it('is nothing where a run opens, where a step opens or eases, or where it begins to hold the head', () => {
    expect(codes(closing, facts([caution()], { isOpening: true }))).to.deep.equal([])
    expect(codes(head, facts([caution()]))).to.deep.equal([])
    for (const role of ['opens', 'eases', 'takes-off'] as const)
      expect(codes(step({ roles: [role] }), facts([caution()])), role).to.deep.equal([])
  })
  it('is a stop that was passed by, on every later step that does not look, until one is done over it', () => {
    expect(codes(tie, facts([caution()], { states: left('skipped', 'airway-at-risk') }))).to.deep.equal(['airway-at-risk'])
    expect(codes(tie, facts([caution()]))).to.deep.equal(['airway-at-risk'])
    expect(codes(check, facts([caution()], { states: left('skipped') }))).to.deep.equal([])
    expect(codes(tie, facts([caution()], { states: left('done', 'airway-at-risk') }))).to.deep.equal([])
  })
  it('passed by holds back no hold, nor holding until it is hard, nor a look; it holds back what puts something on', () => {
    for (const role of ['hold-taken', 'holds-to-set', 'baseline', 'check-after'] as const) {
      const later = step({ id: 'later', roles: [role] })
      expect(codes(later, facts([caution()], { steps: [head, closing, later], states: left('skipped') })), role).to.deep.equal([])
    }
    for (const role of ['wets', 'first-layer', 'lays-on', 'wraps', 'closes', 'pulls'] as const) {
      const later = step({ id: 'later', roles: [role, 'hold-taken'] })
      expect(codes(later, facts([caution()], { steps: [head, closing, later], states: left('skipped') })), role).to.deep.equal([
        'airway-at-risk',
      ])
    }
  })
  it('is a stop without steps on the first one that puts something on', () => {
    expect(codes(closing, facts([caution({ code: 'no-size', steps: [] })]))).to.deep.equal(['no-size'])
  })
  it('is an order that it waits for: nobody goes on or passes it by, there or later', () => {
    const waiting = step({ id: 'close-collar', roles: ['closes'], waitsFor: 'Enter the order.', prevents: 'The wrong stop.' })
    const given = facts([], { steps: [head, waiting, tie, check] })
    for (const one of [waiting, tie]) {
      expect(codes(one, given)).to.deep.equal([waitsForOrder])
      expect(waysOn(one, stopsOn(one, given), true)).to.deep.equal({ isDoneFree: false, despite: 'no', isSkipFree: false })
    }
  })
  it('leaves a floor no way past it, and a lost pulse one after the recorded call', () => {
    const ways = (code: string, isCalled: boolean, isFloor: { isFloor?: true } = { isFloor: true }) =>
      waysOn(closing, stopsOn(closing, facts([caution({ code, ...isFloor })])), isCalled).despite
    expect(ways('hot-water', true)).to.equal('no')
    expect(ways('over-skin-cap', true)).to.equal('no')
    expect(ways('pulse-absent', false)).to.equal('after-call')
    expect(ways('pulse-absent', true)).to.equal('with-reason')
    expect(ways('skin-tented', false, {})).to.equal('with-reason')
    expect(waysOn(closing, [], false)).to.deep.equal({ isDoneFree: true, despite: 'no', isSkipFree: true })
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
