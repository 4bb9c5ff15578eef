import { expect } from 'chai'
import { disagreeing, lengthDoubt } from '#core/figures/body/length-order'

const cm = (id: string, value: number, side: 'left' | 'right' = 'left') => ({ id, value, unit: 'cm' as const, side })

describe('a length beside the others', () => {
  it('is doubted when a part is as long as the whole', () => {
    expect(lengthDoubt(cm('lower-leg-length', 82), [cm('inside-leg', 80)], null)).to.include('the inside leg (80.0 cm)')
    expect(lengthDoubt(cm('inside-leg', 40), [cm('lower-leg-length', 48)], null)).to.include('only a part')
    expect(lengthDoubt(cm('inside-leg', 80), [cm('lower-leg-length', 48), cm('outer-leg', 87)], 171)).to.equal(null)
  })
  it('is doubted beside the stature, the other side and other measurements are left alone', () => {
    expect(lengthDoubt(cm('inside-leg', 103), [], 171)).to.include('60 % of the height')
    expect(lengthDoubt(cm('inside-leg', 102), [], 171)).to.equal(null)
    expect(lengthDoubt(cm('notch-pubis', 80), [], 171)).to.include('45 % of the height')
    expect(lengthDoubt(cm('foot-length', 48), [cm('lower-leg-length', 47)], null)).to.include('of which it is only a part')
    expect(lengthDoubt(cm('outer-leg', 90), [], 171)).to.equal(null)
    expect(lengthDoubt(cm('lower-leg-length', 82), [cm('inside-leg', 80, 'right')], null)).to.equal(null)
    expect(lengthDoubt(cm('calf-girth', 90), [], 171)).to.equal(null)
  })
  it('is doubted beside its twin on the palm', () => {
    expect(lengthDoubt(cm('volar-path-index', 25), [cm('volar-path-little', 20.5)], null)).to.include('differ by more than 4 cm')
    expect(lengthDoubt(cm('volar-path-index', 25), [cm('volar-path-little', 21)], null)).to.equal(null)
  })
  it('is taken back where it disagrees with the others, else the newest', () => {
    const [a, b, c] = [cm('calf-girth', 38), cm('calf-girth', 44), cm('calf-girth', 38.4)]
    expect(disagreeing([a, b, c])).to.equal(b)
    expect(disagreeing([a, b])).to.equal(b)
    expect(disagreeing([])).to.equal(null)
  })
})
