import { expect } from 'chai'
import { nameParts } from '../../../src/web/case/frame/name-parts'

describe('a name where there is little room', () => {
  for (const [name, given, family] of [
    ['Jago Penrose-Lyle', 'Jago', 'Penrose-Lyle'],
    ['Anna Maria van der Merwe', 'Anna Maria', 'van der Merwe'],
    ['Hoskyn', '', 'Hoskyn'],
    ['van Merwe', 'van', 'Merwe'],
    ['  Ennor   Vose ', 'Ennor', 'Vose'],
    ['ليلى الحسيني', 'ليلى', 'الحسيني'],
  ] as const) {
    it(`of ${name} keeps the family's whole`, () => expect(nameParts(name)).to.deep.equal({ given, family, isFamilyFirst: false }))
  }

  it('written family first, it stays first', () =>
    expect(nameParts('Penrose-Lyle, Jago')).to.deep.equal({ family: 'Penrose-Lyle,', given: 'Jago', isFamilyFirst: true }))
})
