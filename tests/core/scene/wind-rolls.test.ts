import { expect } from 'chai'
import { girthAt, limbArea } from '#core/figures/wraps/limb-area'
import { passesFor, segmentLength, windRolls, type WoundLimb } from '#core/figures/wraps/wind-rolls'

/** A tube of 40 cm round, wound with rolls 10 cm wide; a pass of two layers over 20 cm takes 20 × 40 × 2 ÷ 10 = 160 cm. */
const tube: WoundLimb = {
  profile: [
    { atCm: 0, girthCm: 40 },
    { atCm: 30, girthCm: 40 },
  ],
  widthCm: 10,
  takeUp: 1,
}

describe('winding a limb', () => {
  it('seven layers are three passes: two, two, and the last closer by one', () => {
    expect(passesFor(7, 0.5)).to.deep.equal([2, 2, 3])
    expect(passesFor(6, 0.5)).to.deep.equal([2, 2, 2])
    expect(passesFor(8, 0.5)).to.deep.equal([2, 2, 2, 2])
    expect(passesFor(1, 0.5)).to.deep.equal([1])
    for (const layers of [3, 4, 5, 6, 7, 8, 9])
      expect(passesFor(layers, 0.6).reduce((sum, each) => sum + each, 0)).to.be.closeTo(layers, 1e-9)
  })

  it('a pass takes area × layers ÷ width; turns take their girth each', () => {
    expect(segmentLength(tube, { fromCm: 0, toCm: 20, layers: 2 })).to.be.closeTo(160, 1e-9)
    expect(segmentLength(tube, { fromCm: 20, toCm: 0, layers: 3 })).to.be.closeTo(240, 1e-9)
    expect(segmentLength(tube, { atCm: 5, turns: 3, girthCm: 40 })).to.equal(120)
  })

  it('rolls of 200 cm: the first turns and comes 5 cm back, the second begins there; what is left is named', () => {
    const rolls = windRolls(
      tube,
      [
        { fromCm: 0, toCm: 20, layers: 2 },
        { fromCm: 20, toCm: 0, layers: 2 },
      ],
      200,
    )
    expect(rolls.map(({ restCm }) => Math.round(restCm))).to.deep.equal([0, 80])
    const ways = rolls.map(({ parts }) =>
      parts.map(({ segment }) => ('turns' in segment ? [] : [Math.round(segment.fromCm), Math.round(segment.toCm)])),
    )
    expect(ways).to.deep.equal([
      [
        [0, 20],
        [20, 15],
      ],
      [[15, 0]],
    ])
  })

  it('turns that a roll cannot finish are finished by the next, and none is lost', () => {
    const rolls = windRolls(tube, [{ atCm: 5, turns: 4, girthCm: 40 }], 100)
    expect(rolls.map(({ parts }) => parts.map(({ segment }) => ('turns' in segment ? segment.turns : 0)))).to.deep.equal([[2.5], [1.5]])
  })

  it('areas add up, whichever way they are taken; girths lie between those known', () => {
    const cone = [
      { atCm: 0, girthCm: 20 },
      { atCm: 10, girthCm: 30 },
    ]
    expect(girthAt(cone, 5)).to.equal(25)
    expect(girthAt(cone, -3)).to.equal(20)
    expect(girthAt(cone, 40)).to.equal(30)
    expect(limbArea(cone, 2, 8)).to.be.closeTo(limbArea(cone, 2, 5) + limbArea(cone, 5, 8), 1e-9)
    expect(limbArea(cone, 8, 2)).to.equal(limbArea(cone, 2, 8))
    expect(limbArea(cone, 4, 4)).to.equal(0)
  })
})
