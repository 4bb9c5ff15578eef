import { expect } from 'chai'
import type { Step } from '#core/model/step'
import { handsAt } from '#core/runs/hands-at'
import { bareStep } from '../../harness/cases/bare-step'

const step = (id: string, change: Partial<Step> = {}): Step => bareStep({ id, ...change })
const lift = step('lift', { hands: [], holds: { what: 'foot', from: 'lift', to: 'hold-set', place: 'hold-distal' } })
const [before, wrap, set, trim] = [step('padding'), step('wrap'), step('hold-set'), step('trim')]
const steps = [before, lift, wrap, set, trim]

describe('hands at work in a step', () => {
  it('are its own, and whoever holds from the first step of a hold to its last one, that one too', () => {
    expect(handsAt(steps, lift)).to.deep.equal(['hold-distal'])
    expect(handsAt(steps, wrap)).to.deep.equal(['apply', 'hold-distal'])
    expect(handsAt(steps, set)).to.deep.equal(['apply', 'hold-distal'])
  })

  it('are nobody’s before a hold begins and after it has ended', () => {
    expect(handsAt(steps, before)).to.deep.equal(['apply'])
    expect(handsAt(steps, trim)).to.deep.equal(['apply'])
  })

  it('are said once where two holds are of one place, and none of a hold whose beginning is not in this run', () => {
    const second = { ...lift, id: 'second', holds: { what: 'heel', from: 'second', to: 'hold-set', place: 'hold-distal' } as const }
    expect(handsAt([before, lift, second, wrap, set], wrap)).to.deep.equal(['apply', 'hold-distal'])
    expect(
      handsAt([wrap, set, step('x', { holds: { what: 'foot', from: 'lift', to: 'hold-set', place: 'hold-distal' } })], wrap),
    ).to.deep.equal(['apply'])
  })
})
