import { expect } from 'chai'
import { gripPlaces } from '#core/scene/grip-places'
import type { Step } from '#core/model/step'
import { sceneWith } from './scene-cases'

describe('where hands lie in a step', () => {
  it('a long cast: the knee from the thigh, from under the calf while the thigh is wrapped; the foot by its toe tips once it is padded', () => {
    const { plan } = sceneWith('leg-cast')
    const { steps } = plan.procedure
    const at = (id: string) => gripPlaces(steps, steps.find((step) => step.id === id) as Step, plan.geometry)
    expect(at('baseline').size).to.equal(0)
    expect(at('hold-thigh').get('hold-joint')).to.deep.include({ what: 'knee', axis: 'leg', atCm: 63.75 })
    expect(at('hold-foot').get('hold-distal')?.atCm).to.be.closeTo(20.4, 0.01)
    expect(at('roll-3').get('hold-distal')).to.deep.equal({ what: 'foot', axis: 'foot', atCm: 0 })
    expect(at('roll-3').get('hold-joint')?.atCm).to.equal(63.75)
    expect(at('roll-6').get('hold-joint')?.atCm, 'below the lap, which begins at 32.7').to.be.closeTo(26.7, 0.05)
    expect(at('after-check').size).to.equal(0)
  })
})
