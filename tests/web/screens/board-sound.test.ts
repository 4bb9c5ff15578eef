import { expect } from 'chai'
import type { BoardRow } from '#contract/api/board'
import { callsOnBoard, isHeard } from '../../../src/web/screens/board/board-sound'
import { filterRows, readFilter } from '../../../src/web/screens/board/board-filter'

const now = Date.parse('2026-01-10T02:00:00Z')
const row = (change: Partial<BoardRow>): BoardRow =>
  ({
    caseId: 'a',
    level: 'none',
    stage: 'watch',
    sinceAt: null,
    answer: null,
    nextDueAt: null,
    graceMin: 5,
    place: 'Ward A, bed 1',
    ...change,
  }) as BoardRow

describe('what the Board lets be heard', () => {
  it('calls once for what is urgent and not answered, and again when it is raised anew', () => {
    const urgent = row({
      level: 'urgent',
      sinceAt: '2026-01-10T01:50:00Z',
      answer: { sinceAt: '2026-01-10T01:50:00Z', by: null, at: null },
    })
    const answered = row({
      level: 'urgent',
      sinceAt: '2026-01-10T01:50:00Z',
      answer: { sinceAt: 'x', by: 'Ada', at: '2026-01-10T01:55:00Z' },
    })
    const [first] = callsOnBoard([urgent], now)
    expect(first?.call).to.equal('urgent')
    expect(callsOnBoard([urgent], now + 60_000)[0]?.key).to.equal(first?.key)
    expect(callsOnBoard([row({ ...urgent, sinceAt: '2026-01-10T01:59:00Z' })], now)[0]?.key).not.to.equal(first?.key)
    expect(callsOnBoard([answered], now)).to.deep.equal([])
  })

  it('calls softly for a review and for what is overdue, not for what is only due', () => {
    const late = row({ nextDueAt: new Date(now - 6 * 60_000).toISOString() })
    expect(callsOnBoard([row({ level: 'review', sinceAt: 'x' }), late], now).map((call) => call.call)).to.deep.equal([
      'pressing',
      'pressing',
    ])
    expect(callsOnBoard([row({ nextDueAt: new Date(now - 4 * 60_000).toISOString() }), row({ level: 'warn' })], now)).to.deep.equal([])
  })

  it('quiet hours silence what presses, over midnight too, and never what is urgent', () => {
    const sound = { isOn: true, quietFrom: '22:00', quietUntil: '06:00' }
    expect(['21:59', '22:00', '02:00', '06:00'].map((clock) => isHeard('pressing', sound, clock))).to.deep.equal([true, false, false, true])
    expect(isHeard('pressing', { ...sound, quietFrom: '01:00' }, '02:00')).to.equal(false)
    expect(isHeard('pressing', { ...sound, quietFrom: '01:00' }, '00:30')).to.equal(true)
    expect(isHeard('pressing', { ...sound, isOn: false }, '12:00')).to.equal(false)
    expect(isHeard('pressing', undefined, '12:00')).to.equal(false)
    expect(isHeard('pressing', { isOn: true, quietFrom: '', quietUntil: '' }, '02:00')).to.equal(true)
    for (const one of [sound, { ...sound, isOn: false }, undefined]) expect(isHeard('urgent', one, '02:00')).to.equal(true)
  })
})

describe('what is mine on the Board', () => {
  it('is whom I took over, and who lies at places of mine', () => {
    const rows = [
      row({ caseId: 'a', patient: 'A', number: '', techniqueName: '', side: null, region: null, takenOverBy: 'Ada' }),
      row({ caseId: 'b', patient: 'B', number: '', techniqueName: '', side: null, region: null, place: 'Ward B, bed 2' }),
      row({ caseId: 'c', patient: 'C', number: '', techniqueName: '', side: null, region: null, place: 'Bay 1' }),
    ]
    const mine = readFilter(new URLSearchParams('who=me'))
    expect(filterRows(rows, mine, { name: 'Ada', places: ['Ward B'] }, now).map((filterRow) => filterRow.caseId)).to.deep.equal(['a', 'b'])
  })
})
