import { expect } from 'chai'
import { collarForm } from '#core/drawing/collar-form'
import { boundsOf } from '#core/drawing/points'
import { headHeightCm } from '#core/drawing/neck-form'

const bodyOf = (statureCm: number, girthCm: number, lengthCm: number) => ({ statureCm, lengthCm, headTiltDeg: 0, girthAt: () => girthCm })

describe('a collar as it is drawn', () => {
  for (const [name, body] of [
    ['a child', bodyOf(105, 26, 3)],
    ['an adult', bodyOf(172, 38, 6)],
    ['a stout neck', bodyOf(180, 48, 4)],
  ] as const) {
    it(`${name}: stands on chest and shoulders, holds the chin, and goes round the neck`, () => {
      const half = body.girthAt() / Math.PI / 2
      const front = boundsOf(collarForm(body, 'front', body.lengthCm).outline)
      expect(front.minY).to.be.lessThan(-3)
      expect(front.maxX).to.be.greaterThan(half)
      expect(front.minX).to.be.closeTo(-front.maxX, 1e-9)
      const side = collarForm(body, 'side', body.lengthCm)
      const bounds = boundsOf(side.outline)
      // Under the chin, which stands before the neck by two fifths of a head.
      expect(bounds.maxX).to.be.greaterThan(0.4 * headHeightCm(body.statureCm))
      expect(bounds.minX).to.be.lessThan(-half)
      expect(bounds.maxY).to.be.greaterThan(body.lengthCm)
    })
  }

  it('leaves the windpipe free, from the front', () => {
    const body = bodyOf(172, 38, 6)
    expect(collarForm(body, 'front', 6).opening?.at[0]).to.equal(0)
    expect(collarForm(body, 'side', 6).opening).to.equal(null)
  })
})
