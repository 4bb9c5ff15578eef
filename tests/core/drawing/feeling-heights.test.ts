import { expect } from 'chai'
import { feelingHeightCm, feelingLevelAt } from '#core/drawing/feeling-heights'
import { feelingLevels } from '#core/model/round-items'

describe('levels of feeling on a trunk', () => {
  it('means by a tap the level whose line is drawn there', () => {
    for (const level of feelingLevels)
      for (const lengthCm of [30, 52]) {
        const heightCm = feelingHeightCm(level, lengthCm)
        if (heightCm !== null) expect(feelingLevelAt(heightCm, lengthCm), `${level}, ${lengthCm} cm`).to.equal(level)
      }
  })

  it('goes down the trunk as the tap does, and never off its ends', () => {
    const order = feelingLevels.toReversed()
    const met = [200, 60, 52, 40, 30, 20, 10, 0, -20].map((heightCm) => order.indexOf(feelingLevelAt(heightCm, 52)))
    expect(met).to.deep.equal(met.toSorted((a, b) => a - b))
    expect(feelingLevelAt(200, 52)).to.equal('C2')
    expect(feelingLevelAt(-20, 52)).to.equal('L1')
    expect(feelingLevelAt(0.325 * 52, 52), 'the navel').to.equal('T10')
  })
})
