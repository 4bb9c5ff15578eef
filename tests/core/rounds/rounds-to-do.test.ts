import { expect } from 'chai'
import { defaultProtocol } from '#core/quantities/defaults'
import { roundsToDo, type JudgedLook } from '#core/rounds/rounds-to-do'

const startMs = Date.parse('2026-03-28T10:00:00Z')
const at = (minute: number): string => new Date(startMs + minute * 60_000).toISOString()
const look = (minute: number, change: Partial<JudgedLook> = {}): JudgedLook => ({
  at: at(minute),
  isComplete: true,
  level: 'none',
  againMin: null,
  isBlind: false,
  ...change,
})
const list = { startedAt: at(0), zone: 'Etc/UTC', isAtRisk: false, openedNowAt: at(3) }
/** When each look after an opening at minute 3 was done, minutes from the start; null while it is owed. */
const opened = (...looks: readonly JudgedLook[]): readonly (number | null)[] =>
  roundsToDo(list, looks, defaultProtocol)
    .filter(({ id }) => id.startsWith('opened-'))
    .map(({ doneAt }) => (doneAt === null ? null : (Date.parse(doneAt) - startMs) / 60_000))

describe('looks after an opening at once', () => {
  it('are owed 5 and 15 minutes after it, and done by a complete round in the minutes round each', () => {
    expect(opened()).to.deep.equal([null, null])
    expect(opened(look(8))).to.deep.equal([8, null])
    expect(opened(look(8), look(16))).to.deep.equal([8, 16])
  })

  it('are not done by a round that left something out, nor by one from before their time', () => {
    expect(opened(look(8, { isComplete: false }))).to.deep.equal([null, null])
    expect(opened(look(4))).to.deep.equal([null, null])
    expect(opened(look(8, { isComplete: false }), look(9))).to.deep.equal([9, null])
  })

  it('are none where nothing was opened at once', () => {
    const { openedNowAt: _, ...plain } = list
    expect(roundsToDo(plain, [look(8)], defaultProtocol).filter(({ id }) => id.startsWith('opened-'))).to.deep.equal([])
  })

  it('a review asks for one look more, when it says', () => {
    const again = roundsToDo(list, [look(20, { level: 'review', againMin: 15 })], defaultProtocol).find(({ id }) => id === 'again')
    expect(again?.dueAt).to.equal(startMs + 35 * 60_000)
    expect(roundsToDo(list, [look(20, { level: 'warn', againMin: 15 })], defaultProtocol).some(({ id }) => id === 'again')).to.equal(false)
  })
})
