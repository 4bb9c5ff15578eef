import { expect } from 'chai'
import { cannotAll, everEntered, restIsNormal, type RoundCell } from '../../../src/web/round/rest-is-normal'
import { cannot, isInShortForm, keyRows, roundItems } from '../../../src/web/round/round-items'
import { quietRound } from '../../harness/seed-case'

const cells: readonly RoundCell[] = (['left', 'right'] as const).flatMap((side) =>
  roundItems('leg').map((item) => ({ key: `${side}/${item.key}`, item, isInjured: side === 'left' })),
)
const open = (entries: Readonly<Record<string, string>>) => cells.map((cell) => cell.key).filter((key) => !entries[key])

describe('the rest is normal', () => {
  it('leaves pain and swelling of the injured side open, and every refill and strength, which nobody counted', () => {
    expect(open(restIsNormal(cells, {}, {}, false))).to.have.members([
      'left/refillS',
      'left/swelling',
      'left/restPain',
      'left/stretchPain',
      'right/refillS',
      // Asked of the injured side alone: a figure is never filled all the same.
      'right/restPain',
    ])
    for (const watched of ['arm', 'leg'] as const) {
      const keys = keyRows(watched).map((item) => ({ key: `one/${item.key}`, item, isInjured: false }))
      expect(Object.keys(restIsNormal(keys, {}, {}, false)).filter((key) => key.includes('power'))).to.deep.equal([])
    }
  })

  it('before a baseline leaves the pulse of the injured limb to the finger, and fills the other', () => {
    const first = restIsNormal(cells, {}, {}, true)
    expect(first['left/pulse']).to.equal(undefined)
    expect(first['right/pulse']).to.equal('present')
  })

  it('leaves open what any earlier round found otherwise, also when the last one was well', () => {
    const weak = quietRound('leg-slab', { pulse: 'weak' })
    const ever = everEntered([weak, quietRound('leg-slab')], false)
    const filled = restIsNormal(cells, {}, ever, false)
    expect(filled['left/pulse']).to.equal(undefined)
    expect(filled['right/pulse']).to.equal('present')
    expect(filled['left/colour']).to.equal('pink')
  })

  it('changes nothing that is entered', () => {
    const entries = { 'left/colour': 'pale', 'right/swelling': 'mild' }
    expect(restIsNormal(cells, entries, {}, false)).not.to.have.any.keys('left/colour', 'right/swelling')
  })

  it('"cannot, all of it" takes what is still open and nothing else', () => {
    const entries = { 'left/colour': 'pale' }
    const all = cannotAll(cells, entries)
    expect(Object.keys(all)).to.have.length(cells.length - 1)
    expect(new Set(Object.values(all))).to.deep.equal(new Set([cannot]))
  })
})

describe('the short round of the field', () => {
  it('tries grip, wrist, foot up and down, and touch at one finger and one toe', () => {
    const short = (limb: 'arm' | 'leg') =>
      keyRows(limb)
        .map((item) => item.key)
        .filter(isInShortForm)
    expect(short('arm')).to.have.members(['power/grip', 'power/wrist-up', 'feeling/median'])
    expect(short('leg')).to.have.members(['power/foot-up', 'power/foot-down', 'feeling/deep-peroneal'])
  })
})
