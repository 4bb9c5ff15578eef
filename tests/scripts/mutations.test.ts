import { expect } from 'chai'

interface Mutation {
  readonly from: number
  readonly to: number
  readonly becomes: string
}
const { mutationsOf } = (await import(new URL('../../scripts/mutations.mjs', import.meta.url).href)) as {
  mutationsOf: (text: string) => readonly Mutation[]
}
const changed = (text: string): readonly string[] =>
  mutationsOf(text).map(({ from, to, becomes }) => `${text.slice(0, from)}${becomes}${text.slice(to)}`)

describe('changes that a rule is tried with', () => {
  it('are of a comparison, an "and", a "not", a figure and a call', () => {
    expect(changed('a < 3 && !b')).to.have.members(['a <= 3 && !b', 'a < 3 || !b', 'a < 4 && !b', 'a < 3 && b'])
    expect(changed('list.some(f)')).to.deep.equal(['list.every(f)'])
  })

  it('take a word out of a list, and swap the branches of a choice', () => {
    expect(changed("const roles = ['closes', 'pulls']")).to.deep.equal(["const roles = ['pulls']"])
    expect(changed('x ? y : z')).to.deep.equal(['x ? z : y'])
  })

  it('leave types, imports and words of comments alone', () => {
    expect(changed("import { a } from './a'\n// 3 < 4\ntype B = 1 | 2\ninterface C { readonly d: true }")).to.deep.equal([])
  })
})
