import { expect } from 'chai'
import { benches } from '#core/practice/benches'
import { techniques } from '#core/techniques/registry'
import { drawCards } from '../../../src/web/cards/draw-cards'

describe('pictures of cards, drawn when the program is built', () => {
  const cards = drawCards()

  it('has one of every technique and of every bench', () => {
    expect(Object.keys(cards.techniques)).to.have.members(techniques.map(({ id }) => id))
    expect(Object.keys(cards.benches)).to.have.members(benches.map(({ id }) => id))
  })

  it('draws finite places only, no words, and what is referred to within the same picture', () => {
    for (const [id, svg] of [...Object.entries(cards.techniques), ...Object.entries(cards.benches)]) {
      expect(svg, id).to.include('</svg>')
      expect(svg, id).not.to.match(/NaN|Infinity|undefined|<text/)
      for (const [, name] of svg.matchAll(/url\(#([^)]+)\)/g)) expect(svg, `${id}: ${name}`).to.include(`id="${name}"`)
    }
  })

  it('names parts of a picture as no other picture does', () => {
    const names = [...Object.values(cards.techniques), ...Object.values(cards.benches)].flatMap((svg) => [
      ...new Set([...svg.matchAll(/ id="([^"]+)"/g)].map(([, name]) => name)),
    ])
    expect(names).to.have.lengthOf.above(20)
    expect(new Set(names)).to.have.lengthOf(names.length)
  })
})
