import { expect } from 'chai'
import type { Step } from '#core/model/step'
import { openSteps } from '#core/runs/check-order'
import { bareStep } from '../../harness/cases/bare-step'

const step = (id: string, after: readonly string[], optional = false): Step => bareStep({ id, after, ...(optional ? { optional } : {}) })
const ids = (steps: readonly Step[]): readonly string[] => steps.map(({ id }) => id)

describe('steps that may be done next', () => {
  const steps = [step('a', []), step('b', ['a']), step('c', ['b', 'x']), step('x', [], true)]
  it('are those whose steps before are done; what may be left out holds nothing up', () => {
    expect(ids(openSteps(steps, []))).to.deep.equal(['a', 'x'])
    expect(ids(openSteps(steps, ['a']))).to.deep.equal(['b', 'x'])
    expect(ids(openSteps(steps, ['a', 'b']))).to.deep.equal(['c', 'x'])
    expect(ids(openSteps(steps, ['a', 'b', 'x']))).to.deep.equal(['c'])
    expect(ids(openSteps(steps, ['a', 'b', 'c', 'x']))).to.deep.equal([])
  })
  it('are none of what waits for a step that is nowhere', () => {
    expect(ids(openSteps([step('b', ['gone'])], []))).to.deep.equal([])
  })
})
