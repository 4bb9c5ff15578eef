import { expect } from 'chai'
import { fillOfBand, wetFill, wetName } from '../../../src/web/lane/wet-look'

describe('the look of what sets', () => {
  it('goes from lime over grey to stone', () => {
    expect(wetFill(1)).to.equal('color-mix(in oklab, var(--citrus) 100%, var(--half-set))')
    expect(wetFill(0.625)).to.equal('color-mix(in oklab, var(--citrus) 50%, var(--half-set))')
    expect(wetFill(0.25)).to.equal('color-mix(in oklab, var(--half-set) 100%, var(--slab))')
    expect(wetFill(0)).to.equal('var(--slab)')
    expect(wetFill(-1)).to.equal('var(--slab)')
  })

  it('is stone where nothing wet lies', () => {
    expect(fillOfBand(undefined, 'slab')).to.equal('var(--slab)')
    expect(fillOfBand([{ id: 'set', label: 'Setting', bands: ['slab'], leftMs: 1, share: 1, state: 'workable' }], 'roll-1')).to.equal(
      'var(--slab)',
    )
  })

  it('a clock is named by its part', () => expect(wetName('Roll 2 workable')).to.equal('Roll 2'))
})
