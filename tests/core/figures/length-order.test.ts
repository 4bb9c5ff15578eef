import { expect } from 'chai'
import { disagreeing, lengthDoubt } from '#core/figures/body/length-order'

const cm = (id: string, value: number, side: 'left' | 'right' = 'left') => ({ id, value, unit: 'cm' as const, side })

describe('a length beside the others', () => {
  it('is doubted when a part is as long as the whole', () => {
    expect(lengthDoubt(cm('lower-leg-length', 82), [cm('inside-leg', 80)], null)).to.include('80.0 cm were read for the inside leg')
    expect(lengthDoubt(cm('inside-leg', 40), [cm('lower-leg-length', 48)], null)).to.include('only part of it')
    expect(lengthDoubt(cm('inside-leg', 80), [cm('lower-leg-length', 48), cm('outer-leg', 87)], 171)).to.equal(null)
  })
  it('is doubted beside the stature, the other side and other measurements are left alone', () => {
    expect(lengthDoubt(cm('inside-leg', 90), [], 171)).to.include('less than that')
    expect(lengthDoubt(cm('outer-leg', 90), [], 171)).to.equal(null)
    expect(lengthDoubt(cm('lower-leg-length', 82), [cm('inside-leg', 80, 'right')], null)).to.equal(null)
    expect(lengthDoubt(cm('calf-girth', 90), [], 171)).to.equal(null)
  })
  it('is taken back where it disagrees with the others, else the newest', () => {
    const [a, b, c] = [cm('calf-girth', 38), cm('calf-girth', 44), cm('calf-girth', 38.4)]
    expect(disagreeing([a, b, c])).to.equal(b)
    expect(disagreeing([a, b])).to.equal(b)
    expect(disagreeing([])).to.equal(null)
  })
})
