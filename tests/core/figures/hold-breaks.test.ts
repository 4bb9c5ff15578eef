import { expect } from 'chai'
import fc from 'fast-check'
import { holdBreaksAt } from '#core/figures/crew/hold-breaks'
import { scheduleWetPhase } from '#core/figures/crew/schedule'
import type { WetStep } from '#core/model/crew-input'
import type { HandGrip } from '#core/model/step'

const step = (id: string, after: readonly string[], hands: readonly HandGrip[], holdsUntil: WetStep['holdsUntil'] = []): WetStep => ({
  id,
  minutes: [1, 1, 1],
  hands,
  after,
  holdsUntil,
})

/** A chain of steps with holds from an earlier to a later one, as procedures have them. */
const chains = fc
  .array(fc.record({ hands: fc.integer({ min: 1, max: 3 }), holdsTo: fc.option(fc.integer({ min: 1, max: 5 })) }), {
    minLength: 1,
    maxLength: 6,
  })
  .map((list) =>
    list.map(({ hands, holdsTo }, index): WetStep => {
      const to = holdsTo === null ? null : Math.min(list.length - 1, index + holdsTo)
      const grips = (['apply', 'hold-distal', 'hold-joint'] as const).slice(0, hands)
      return step(`s${index}`, index === 0 ? [] : [`s${index - 1}`], grips, to !== null && to > index ? [`s${to}`] : [])
    }),
  )

describe('where a hold breaks', () => {
  it('is at the step that needs more hands than are free of holding', () => {
    const steps = [
      step('take', [], ['hold-distal'], ['mould']),
      step('lay', ['take'], ['apply', 'hold-joint']),
      step('mould', ['lay'], ['apply']),
    ]
    expect(holdBreaksAt({ steps }, 2)).to.deep.equal({ step: 'lay', hands: 2, needed: 3 })
    expect(holdBreaksAt({ steps }, 1)).to.deep.equal({ step: 'take', hands: 1, needed: 2 })
    expect(holdBreaksAt({ steps }, 3)).to.equal(null)
  })

  it('is nowhere exactly where the work can be staffed', () => {
    fc.assert(
      fc.property(chains, fc.integer({ min: 1, max: 6 }), (steps, people) => {
        expect(holdBreaksAt({ steps }, people) === null).to.equal(scheduleWetPhase(steps, people) !== null)
      }),
      { numRuns: 200 },
    )
  })
})
