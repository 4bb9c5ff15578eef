import { expect } from 'chai'
import { correctionsOf } from '#ward/rounds/correction-words'
import { triedSince } from '#ward/rounds/rounds-tried'
import { foldStay } from '../harness/cases/fold-stay'

const { event, record, stayAfter } = foldStay()
const round = (outcome: string, atMin: number, change: object = {}) =>
  event(
    'round',
    { cases: ['c1'], isBaseline: false, outcome, reason: outcome === 'done' ? '' : 'said at the bed', findings: { limbs: [] }, ...change },
    atMin,
  )

describe('rounds that were tried', () => {
  it('are those since the last that was done, in the order of time', () => {
    const stay = stayAfter(round('asleep', 10), round('done', 20), round('asleep', 40), round('refused', 42))
    expect(triedSince(record, stay).map(({ outcome, at }) => [outcome, at.slice(11, 16)])).to.deep.equal([
      ['asleep', '10:40'],
      ['refused', '10:42'],
    ])
  })
  it('are none where the last was done, nor those of another case or a baseline', () => {
    expect(triedSince(record, stayAfter(round('asleep', 10), round('done', 20)))).to.deep.equal([])
    expect(triedSince(record, stayAfter(round('asleep', 10, { cases: ['c2'] }), round('asleep', 12, { isBaseline: true })))).to.deep.equal(
      [],
    )
  })
  it('one that was put right counts as what it really was, at its own time, and says what it was', () => {
    const wrong = round('asleep', 40)
    const stay = stayAfter(wrong, round('done', 50, { corrects: { round: wrong.id, why: 'bed 3, not bed 2' } }))
    expect(triedSince(record, stay)).to.deep.equal([])
    expect(stay.rounds.map(({ outcome, at }) => [outcome, at.slice(11, 16)])).to.deep.equal([['done', '10:40']])
    expect(correctionsOf(record, stay)[0]?.text).to.match(/^round done, not asleep/)
  })
})
