import { expect } from 'chai'
import fc from 'fast-check'
import { ageFromBirth } from '#ward/case/age-from-birth'

const now = '2026-01-10T08:00:00Z'
const age = (born: string, at = now, zone = 'UTC') => ageFromBirth(born, at, zone)

describe('age from a date of birth', () => {
  it('is whole years from two on, tenths before', () => {
    expect(age('1985-03-02')).to.deep.equal({ ageYears: 40 })
    expect(age('1986-01-10')).to.deep.equal({ ageYears: 40 })
    expect(age('1986-01-11')).to.deep.equal({ ageYears: 39 })
    expect(age('2024-09-10')).to.deep.equal({ ageYears: 1.3 })
    expect(age('2026-01-10')).to.deep.equal({ ageYears: 0 })
  })

  it('changes with the day of the house, not of another zone', () => {
    expect(age('1986-01-11', '2026-01-10T20:00:00Z', 'UTC')).to.deep.equal({ ageYears: 39 })
    expect(age('1986-01-11', '2026-01-10T20:00:00Z', 'Pacific/Auckland')).to.deep.equal({ ageYears: 40 })
  })

  it('is nothing without a date', () => expect(age('  ')).to.equal(null))

  for (const [born, words] of [
    ['2026-01-11', /future/],
    ['1890-01-01', /136 years old/],
    ['1985-02-30', /no day there is/],
    ['02.03.1985', /like 1985-03-02/],
    ['about 1985', /like 1985-03-02/],
  ] as const) {
    it(`refuses ${born} and says why`, () => expect(age(born)).to.have.property('problem').that.matches(words))
  }

  it('never makes an age below 0 or above the greatest, whatever the day', () => {
    fc.assert(
      fc.property(fc.date({ min: new Date('1850-01-01'), max: new Date('2050-01-01'), noInvalidDate: true }), (date) => {
        const answer = age(date.toISOString().slice(0, 10))
        return answer !== null && ('problem' in answer || (answer.ageYears >= 0 && answer.ageYears <= 130))
      }),
    )
  })
})
