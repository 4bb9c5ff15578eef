import { expect } from 'chai'
import type { GeometryStation } from '#core/model/geometry'
import { girthSource, girthText } from '../../../src/web/lane/kit/girth-text'

const calf: GeometryStation = { id: 'calf', axis: 'leg', label: 'calf', atCm: 30, girthCm: 38.2, from: 'measured', side: 'left' }
const { side: _, ...withoutSide } = calf

describe('a girth at the drawing says where it was read', () => {
  it('says the side behind a figure that the other side gave', () => {
    expect(girthText(calf, 'metric', 'right')).to.equal('38.2 cm left')
    expect(girthSource(calf, 'right')).to.equal('other-side')
  })

  it('says no side on the side it was read on, nor where no side is drawn or known', () => {
    expect(girthText(calf, 'metric', 'left')).to.equal('38.2 cm')
    expect(girthText(calf, 'metric', undefined)).to.equal('38.2 cm')
    expect(girthText(withoutSide, 'metric', 'right')).to.equal('38.2 cm')
    expect(girthSource(withoutSide, 'right')).to.equal('drawn-side')
  })

  it('puts ≈ before an estimate, which was read nowhere', () => {
    expect(girthText({ ...withoutSide, from: 'estimated' }, 'inches', 'right')).to.equal('≈ 15.0 in')
    expect(girthSource({ ...calf, from: 'estimated' }, 'right')).to.equal('estimated')
  })
})
