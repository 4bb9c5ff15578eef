import { expect } from 'chai'
import { lastEntries } from '../../../src/web/round/last-entries'
import { asLastTime } from '../../../src/web/round/round-cell'
import { cannot, roundItems, type RoundItem } from '../../../src/web/round/round-items'
import { wordOfKey } from '../../../src/web/round/use-round-keys'
import { quietRound } from '../../harness/seed-case'

const item = (key: string): RoundItem => {
  const found = roundItems('leg').find((roundItem) => roundItem.key === key)
  if (!found) throw new Error(key)
  return found
}
const was = (word: string) => ({ word, at: '2026-01-10T02:10:00Z' })

describe('a round by keys', () => {
  it('enters a word by its place in the row', () => {
    expect(wordOfKey('1', item('colour'), undefined)).to.equal('pink')
    expect(wordOfKey('3', item('pulse'), undefined)).to.equal('absent')
    expect(wordOfKey('9', item('pulse'), undefined)).to.equal(null)
  })

  it('enters a scale of whole figures by the figure, and seconds by their place', () => {
    expect(wordOfKey('0', item('restPain'), undefined)).to.equal('0')
    expect(wordOfKey('7', item('restPain'), undefined)).to.equal('7')
    expect(wordOfKey('x', item('restPain'), undefined)).to.equal('10')
    expect(wordOfKey('2', item('refillS'), undefined)).to.equal('1.5')
    expect(wordOfKey('x', item('refillS'), undefined)).to.equal(null)
  })

  it('says that it cannot be assessed, and as last time where it was well', () => {
    expect(wordOfKey('c', item('pulse'), undefined)).to.equal(cannot)
    expect(wordOfKey('L', item('pulse'), was('present'))).to.equal('present')
    expect(wordOfKey('l', item('pulse'), was('weak'))).to.equal(null)
    expect(wordOfKey('l', item('pulse'), undefined)).to.equal(null)
    expect(wordOfKey('q', item('pulse'), was('present'))).to.equal(null)
  })

  it('never offers what was abnormal, or could not be assessed, as last time', () => {
    expect(asLastTime(item('pulse'), was('absent'))).to.equal(null)
    expect(asLastTime(item('pulse'), was(cannot))).to.equal(null)
    expect(asLastTime(item('restPain'), was('3'))).to.equal(null)
    expect(asLastTime(item('colour'), was('pink'))).to.equal('pink')
  })

  it('remembers of each item when it was entered last, also where a later round left it out', () => {
    const whole = { at: '2026-01-10T02:10:00Z', findings: quietRound('leg-slab', { pulse: 'weak' }) }
    const short = { at: '2026-01-10T03:10:00Z', findings: { limbs: [{ limb: 'leg' as const, side: 'left' as const, restPain: 4 }] } }
    const last = lastEntries([whole, short], false)
    expect(last['left/pulse']).to.deep.equal({ word: 'weak', at: whole.at })
    expect(last['left/restPain']).to.deep.equal({ word: '4', at: short.at })
    expect(lastEntries([], false)).to.deep.equal({})
  })
})
