import { expect } from 'chai'
import fc from 'fast-check'
import { headTilt, pistoning } from '#core/figures/sizing/hinge'
import { chooseSize } from '#core/figures/sizing/choose-size'
import { normalCdf } from '#core/figures/sizing/normal'
import { oddsInRange } from '#core/figures/sizing/size-odds'
import { fingerSlack, strapPressure } from '#core/figures/straps/finger-slack'
import { mostStraps, placeStraps } from '#core/figures/straps/place-straps'
import { bedRaise } from '#core/figures/traction/bed-raise'
import { ringLoad, ringPressure, skinShear } from '#core/figures/traction/ring-load'

describe('odds of being in a labelled range', () => {
  const girth = { id: 'oblique-groin-girth', value: 49, sd: 0.4, allowance: 2 }

  it('follow the worked example', () => {
    expect(oddsInRange(girth, [42, 50])).to.be.closeTo(0.177, 0.0005)
    expect(oddsInRange(girth, [50, 58])).to.be.closeTo(0.823, 0.0005)
  })

  it('come from a distribution that sums to one', () => {
    expect(normalCdf(0)).to.be.closeTo(0.5, 1e-7)
    expect(normalCdf(1.96)).to.be.closeTo(0.975, 1e-4)
    fc.assert(fc.property(fc.double({ min: -6, max: 6, noNaN: true }), (z) => Math.abs(normalCdf(z) + normalCdf(-z) - 1) < 1e-6))
  })

  const ring = (size: string, lo: number, hi: number, count = 1) => ({
    technique: 'ring-traction',
    size,
    fits: { 'oblique-groin-girth': [lo, hi] as const },
    count,
  })
  const rings = [ring('A', 34, 42), ring('B', 42, 50), ring('C', 50, 58)]

  it('choose the likeliest size', () => {
    const choice = chooseSize(rings, [girth], 'larger')
    expect(choice?.chosen?.size).to.equal('C')
    expect(choice?.chosen?.odds).to.be.closeTo(0.823, 0.0005)
  })

  it('let the preference decide between near equals', () => {
    const between = { ...girth, value: 48, allowance: 2 }
    expect(chooseSize(rings, [between], 'larger')?.chosen?.size).to.equal('C')
    expect(chooseSize(rings, [between], 'smaller')?.chosen?.size).to.equal('B')
  })

  it('fall back to what is in stock, and keep the better one in sight', () => {
    const choice = chooseSize([ring('B', 42, 50), ring('C', 50, 58, 0)], [girth], 'larger')
    expect(choice?.best.size).to.equal('C')
    expect(choice?.chosen?.size).to.equal('B')
    expect(chooseSize([ring('C', 50, 58, 0)], [girth], 'larger')?.chosen).to.equal(null)
    expect(chooseSize([], [girth], 'larger')).to.equal(null)
  })

  it('never give a tighter fit for a larger ring', () => {
    fc.assert(
      fc.property(fc.double({ min: 36, max: 56, noNaN: true }), fc.double({ min: 0.2, max: 3, noNaN: true }), (value, step) => {
        const order = ['A', 'B', 'C']
        const at = (reading: number): number =>
          order.indexOf(chooseSize(rings, [{ ...girth, value: reading }], 'larger')?.chosen?.size ?? '')
        return at(value + step) >= at(value)
      }),
    )
  })
})

describe('straps', () => {
  it('leave the slack that fingers under them leave', () => {
    expect(fingerSlack(15, 2, 0.8)).to.be.closeTo(1.13, 0.005)
    expect(fingerSlack(15, 1, 0.8)).to.be.closeTo(0.97, 0.005)
    expect(strapPressure(20, 5, 5)).to.equal(8)
  })

  it('are spread as wide as they go, clear of what must not be strapped', () => {
    const places = placeStraps([0, 60], 3, 5, [[20, 40]])
    expect(places?.centresCm).to.deep.equal([2.5, 17.5, 57.5])
    expect(places?.leastSpacingCm).to.equal(15)
  })

  it('say how many fit when not all do', () => {
    expect(placeStraps([0, 12], 3, 5, [])).to.equal(null)
    expect(mostStraps([0, 12], 5, [])).to.equal(2)
    expect(placeStraps([0, 3], 1, 5, [])).to.equal(null)
  })

  it('stay inside the stretch, out of every no-go, and never nearer than they say', () => {
    const interval = fc
      .tuple(fc.double({ min: 5, max: 55, noNaN: true }), fc.double({ min: 1, max: 12, noNaN: true }))
      .map(([from, length]): [number, number] => [from, from + length])
    fc.assert(
      fc.property(fc.array(interval, { maxLength: 3 }), fc.integer({ min: 1, max: 5 }), (noGo, count) => {
        const places = placeStraps([2, 70], count, 5, noGo)
        if (!places) return mostStraps([2, 70], 5, noGo) < count
        const { centresCm, leastSpacingCm } = places
        const inside = centresCm.every((centre) => centre >= 4.5 - 1e-9 && centre <= 67.5 + 1e-9)
        const clear = centresCm.every((centre) => noGo.every(([lo, hi]) => centre + 2.5 <= lo + 1e-6 || centre - 2.5 >= hi - 1e-6))
        const apart = centresCm.every(
          (centre, index) => index === 0 || centre - (centresCm[index - 1] ?? 0) >= (leastSpacingCm ?? 0) - 1e-9,
        )
        return centresCm.length === count && inside && clear && apart
      }),
    )
  })
})

describe('traction', () => {
  it('raises the foot of the bed as in the worked example', () => {
    const raise = bedRaise(9, 82, 0, 210)
    expect(raise.angleDeg).to.be.closeTo(6.3, 0.005)
    expect(raise.raiseCm).to.be.closeTo(23, 0.05)
    expect(bedRaise(9, 82, 0.2, 210)).to.deep.equal({ angleDeg: 0, raiseCm: 0 })
  })

  it('solves the balance with friction', () => {
    const { angleDeg } = bedRaise(9, 82, 0.05, 210)
    const angle = (angleDeg * Math.PI) / 180
    expect(82 * (Math.sin(angle) + 0.05 * Math.cos(angle))).to.be.closeTo(9, 1e-9)
  })

  it('presses the ring with what the counterweight does not take', () => {
    expect(ringLoad(60, 20)).to.deep.equal({ tensionN: 60, ringN: 40 })
    expect(ringLoad(10, 20)).to.deep.equal({ tensionN: 20, ringN: 0 })
    expect(ringPressure(40, 55)).to.be.closeTo(6.93, 0.005)
    expect(skinShear(50, 40)).to.be.closeTo(0.833, 0.001)
  })
})

describe('hinges and collars', () => {
  it('follow the worked examples', () => {
    expect(pistoning(2.2, 90)).to.be.closeTo(3.11, 0.005)
    expect(headTilt(6, 4.8)).to.be.closeTo(6.2, 0.05)
    expect(headTilt(4, 4.8)).to.be.below(0)
  })
})
