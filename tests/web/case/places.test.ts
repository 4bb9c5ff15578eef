import { expect } from 'chai'
import { knownPlaces, offeredPlaces, whoIsAt } from '../../../src/web/case/run/places'

const at = (...places: string[]): { place: string; patient: string }[] => places.map((place, index) => ({ place, patient: `P${index}` }))

describe('places on the Board', () => {
  it('are offered once each, in the order of a walk, numbers as numbers', () => {
    expect(knownPlaces(at('Ward A, bed 10', 'Bay 1', 'Ward A, bed 2', 'Bay 1', ''))).to.deep.equal([
      'Bay 1',
      'Ward A, bed 2',
      'Ward A, bed 10',
    ])
    expect(knownPlaces([])).to.deep.equal([])
  })

  it('are a dozen at most, those with the most patients kept', () => {
    const many = Array.from({ length: 30 }, (_, index) => `Bay ${index + 1}`)
    const offered = knownPlaces(at(...many, 'Landing bay', 'Landing bay'))
    expect(offered).to.have.length(12)
    expect(offered).to.include('Landing bay')
  })

  it('tell who is at a bed, however it is typed', () => {
    expect(whoIsAt(at('Bay 1', 'Ward A, bed 2'), ' ward a, BED 2 ')).to.equal('P1')
    expect(whoIsAt(at('Bay 1'), 'Bay 11')).to.equal(null)
  })

  it('are the areas that leads have set, and once one is named its free beds', () => {
    const areas = [
      { name: 'Bay 1', beds: [] },
      { name: 'Ward A', beds: ['bed 1', 'bed 2', 'bed 3'] },
    ]
    const rows = at('Ward A, bed 2', 'Landing bay')
    expect(offeredPlaces([], rows, '')).to.deep.equal(['Landing bay', 'Ward A, bed 2'])
    expect(offeredPlaces(areas, rows, '')).to.deep.equal(['Bay 1', 'Ward A'])
    expect(offeredPlaces(areas, rows, 'Bay 1')).to.deep.equal(['Bay 1', 'Ward A'])
    expect(offeredPlaces(areas, rows, ' ward a')).to.deep.equal(['Ward A, bed 1', 'Ward A, bed 3'])
  })

  it('are not full by one patient where they are no bed', () => {
    expect(whoIsAt(at('Emergency', 'Landing bay'), 'Emergency')).to.equal(null)
    expect(whoIsAt(at('Bay 1'), '')).to.equal(null)
  })
})
