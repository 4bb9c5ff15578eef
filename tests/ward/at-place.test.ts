import { expect } from 'chai'
import { isInArea } from '#ward/case/at-place'

describe('whether a place lies in an area', () => {
  it('goes by the whole name: the tenth ward is not the first, so nobody of the first is paged for it', () => {
    expect(isInArea('Ward 1, Bed 2', 'Ward 1')).to.equal(true)
    expect(isInArea('ward 1', 'Ward 1 ')).to.equal(true)
    expect(isInArea('Ward 10, Bed 2', 'Ward 1')).to.equal(false)
    expect(isInArea('Ward 1, Bed 2', '')).to.equal(false)
  })
})
