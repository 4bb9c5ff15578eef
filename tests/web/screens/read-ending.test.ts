import { expect } from 'chai'
import { readEnding, type EndingFields } from '../../../src/web/screens/watch/read-ending'

const off: EndingFields = { way: 'off', skin: 'intact', moves: 'as-before', note: ' healed ' }
const home: EndingFields = {
  way: 'home',
  helper: ' Sister ',
  stairs: 'can',
  phone: '0491 570 006',
  callNumber: '0491 570 110',
  walkingAid: 'crutches',
  taughtBack: 'white toes, numbness',
}
const message = (fields: EndingFields): string => {
  const answer = readEnding(fields)
  return answer.ok ? '' : answer.message
}

describe('how it ends, as it is entered', () => {
  it('is a removal with what was looked at, or an ending with what was arranged', () => {
    expect(readEnding(off)).to.deep.equal({ ok: true, off: { reason: 'healed', skin: 'intact', moves: 'as-before' }, ended: null })
    expect(readEnding({ way: 'theatre' })).to.deep.equal({ ok: true, off: null, ended: { how: 'theatre', note: '' } })
    const answer = readEnding(home)
    expect(answer.ok && answer.ended?.home).to.include({ helper: 'Sister', stairs: 'can', taughtBack: 'white toes, numbness' })
  })

  for (const [lacking, words] of [
    [{}, /^What happens is missing/],
    [{ ...off, skin: '' }, /Skin under it/],
    [{ ...off, moves: '' }, /Movement and feeling/],
    [{ ...off, note: ' ' }, /^Reason is missing/],
    [{ way: 'died', note: '' }, /^Reason is missing/],
    ...(['helper', 'stairs', 'phone', 'callNumber', 'walkingAid', 'taughtBack'] as const).map(
      (id) => [{ ...home, [id]: '' }, / (is|are) missing: /] as const,
    ),
  ] as const) {
    it(`says what is missing of ${JSON.stringify(lacking).slice(0, 60)}`, () => expect(message(lacking)).to.match(words))
  }
})
