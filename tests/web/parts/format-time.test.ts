import { expect } from 'chai'
import { formatDue, momentIn, startOfDay } from '../../../src/web/parts/format-time'

const at = (day: number, hour: number, minute = 0): number => new Date(2026, 10, day, hour, minute).getTime()
const today = startOfDay(at(24, 12))

describe('one form for a moment on a screen', () => {
  for (const [ms, words] of [
    [at(24, 4, 39), 'today 04:39'],
    [at(24, 0), 'today 00:00'],
    [at(23, 23, 59), 'yesterday 23:59'],
    [at(25, 6), 'tomorrow 06:00'],
    [at(22, 22, 10), 'Sun 22 Nov, 22:10'],
    [at(26, 7), 'Thu 26 Nov, 07:00'],
  ] as const)
    it(`says ${words}`, () => {
      expect(momentIn(today, ms)).to.equal(words)
    })

  it('says the day again only where it changes in a list', () => {
    expect(momentIn(today, at(24, 4), at(24, 6))).to.equal('04:00')
    expect(momentIn(today, at(23, 22), at(24, 6))).to.equal('yesterday 22:00')
    expect(momentIn(today, at(3, 22), at(3, 23))).to.equal('22:00')
  })

  it('counts days by dates where a day has 23 or 25 hours', () => {
    for (let day = 1; day <= 365; day++) {
      const noon = new Date(2026, 0, day, 12).getTime()
      expect(momentIn(startOfDay(noon), new Date(2026, 0, day - 1, 12).getTime())).to.equal('yesterday 12:00')
      expect(momentIn(startOfDay(noon), new Date(2026, 0, day + 1, 12).getTime())).to.equal('tomorrow 12:00')
    }
  })
})

describe('one form for when something is due', () => {
  for (const [lateMin, words] of [
    [12.2, '12 min late'],
    [125, '2 h 5 min late'],
    [0.4, 'due now'],
    [-0.4, 'due now'],
    [-5, 'in 5 min'],
    [-150, 'in 2 h 30 min'],
  ] as const)
    it(`says ${words} of ${lateMin} min`, () => {
      expect(formatDue(lateMin)).to.equal(words)
    })
})
