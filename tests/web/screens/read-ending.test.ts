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
const read = (fields: EndingFields, livesAlone = false) => readEnding(fields, { livesAlone })
const message = (fields: EndingFields, livesAlone = false): string => {
  const answer = read(fields, livesAlone)
  return answer.ok ? '' : answer.message
}

describe('how it ends, as it is entered', () => {
  it('is a removal with what was looked at, or an ending with what was arranged', () => {
    expect(read(off)).to.deep.equal({ ok: true, off: { reason: 'healed', skin: 'intact', moves: 'as-before' }, ended: null })
    expect(read({ way: 'theatre' })).to.deep.equal({ ok: true, off: null, ended: { how: 'theatre', note: '' } })
    const answer = read(home)
    expect(answer.ok && answer.ended?.home).to.include({ helper: 'Sister', stairs: 'can', taughtBack: 'white toes, numbness' })
  })

  for (const [lacking, words] of [
    [{}, /Choose what happens/],
    [{ ...off, skin: '' }, /Skin under it/],
    [{ ...off, moves: '' }, /Movement and feeling/],
    [{ ...off, note: ' ' }, /reason is missing/],
    [{ way: 'died', note: '' }, /reason is missing/],
    ...(['helper', 'stairs', 'phone', 'callNumber', 'walkingAid', 'taughtBack'] as const).map(
      (id) => [{ ...home, [id]: '' }, /missing|not said/] as const,
    ),
  ] as const) {
    it(`says what is missing of ${JSON.stringify(lacking).slice(0, 60)}`, () => expect(message(lacking)).to.match(words))
  }

  it('presses for a helper where the patient lives alone', () => {
    expect(message({ ...home, helper: '' }, true)).to.match(/^Lives alone: name who helps/)
    expect(message(home, true)).to.equal('')
  })
})
