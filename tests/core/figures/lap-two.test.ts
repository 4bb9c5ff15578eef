import { expect } from 'chai'
import { lapTwo, widestOfTwo } from '#core/figures/slabs/lap-two'

describe('two slabs laid as one', () => {
  it('lap a third, at least 4 cm, and what is cut off is said', () => {
    expect(lapTwo(16, [10, 15])).to.deep.equal({ pieceCm: 10, lapCm: 4, widthCm: 16, leftCm: 0 })
    expect(lapTwo(20, [10, 15])).to.deep.equal({ pieceCm: 15, lapCm: 5, widthCm: 20, leftCm: 5 })
  })

  it('are not taken where one is wide enough, nor where two do not reach', () => {
    expect(lapTwo(12, [10, 15])?.pieceCm).to.equal(10)
    expect(lapTwo(10, [10, 15])).to.equal(null)
    expect(lapTwo(30, [10, 15])).to.equal(null)
  })

  it('never lie wider than is allowed, and always wider than the best single one', () => {
    for (const stocked of [[7.5, 10], [10, 15], [10], [7.5, 10, 12.5, 15, 20, 25, 30]])
      for (let widest = 5; widest <= 45; widest += 0.7) {
        const two = widestOfTwo(widest, stocked)
        const single = Math.max(0, ...stocked.filter((width) => width <= widest))
        if (two === null) continue
        expect(two.widthCm).to.be.at.most(widest + 1e-9)
        expect(two.widthCm).to.be.above(single)
        expect(two.lapCm).to.be.at.least(Math.max(4, two.pieceCm / 3) - 1e-9)
        expect(2 * two.pieceCm - two.lapCm - two.leftCm).to.be.closeTo(two.widthCm, 1e-9)
      }
  })
})
