import { expect } from 'chai'
import { crewWords, groupOdds, type CrewOdds } from '../../../src/web/screens/make-ready/crew-odds'

const crews = (...odds: readonly number[]): readonly CrewOdds[] => odds.map((each, index) => ({ people: index + 1, odds: each }))
const said = (...odds: readonly number[]): readonly string[] =>
  groupOdds(crews(...odds)).map((range) => `${crewWords(range)}: ${Math.round(range.odds * 100)}`)

describe('odds by how many are there', () => {
  it('one line for crews that do as well as each other', () => {
    expect(said(0, 0.69, 0.69, 0.69)).to.deep.equal(['1 person: 0', '2 to 4 people: 69'])
    expect(said(0, 0, 0.4, 0.9)).to.deep.equal(['1 to 2 people: 0', '3 people: 40', '4 people: 90'])
  })

  it('what rounds to the same is the same, what falls back later is not', () => {
    expect(said(0.691, 0.694, 0.7)).to.deep.equal(['1 to 2 people: 69', '3 people: 70'])
    expect(said(0.5, 0.6, 0.5)).to.deep.equal(['1 person: 50', '2 people: 60', '3 people: 50'])
  })

  it('nobody, no line', () => expect(said()).to.deep.equal([]))
})
