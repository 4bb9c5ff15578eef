import { expect } from 'chai'
import { DateTime } from 'luxon'
import { instant } from '#contract/field-schemas'
import { makeDraws } from '../../harness/cases/random-draws'

const isTaken = (value: unknown): boolean => instant.validate(value).error === undefined

describe('moments at the door', () => {
  for (const value of [
    '2026-03-27T10:00:00Z',
    '2026-03-27T10:00:00.123Z',
    '2026-03-27T10:00:00+01:00',
    '2026-03-27T23:59:59-11:30',
    '2026-03-27T10:00:00+14:00',
    '2028-02-29T10:00Z',
  ])
    it(`takes ${value}`, () => expect(isTaken(value)).to.equal(true))

  for (const value of [
    '2026-03-27T10:00:00+25:00',
    '2026-03-27T10:00:00+14:01',
    '2026-03-27T10:00:00-15:00',
    '2026-03-27T10:00:00+0100',
    '2026-03-27T10:00:00',
    '2026-03-27',
    '2027-02-29T10:00:00Z',
    '2026-13-01T10:00:00Z',
    '2026-03-27T24:00:00Z',
    '2026-03-27T10:60:00Z',
    '2026-W13-5T10:00:00Z',
    '2026-086T10:00:00Z',
    '20260327T100000Z',
    '+002026-03-27T10:00:00Z',
    '2026-03-27t10:00:00z',
    '2026-03-27 10:00:00Z',
    ' 2026-03-27T10:00:00Z',
    '1626-03-27T10:00:00Z',
    '2026-03-27T10:00:00Z[Europe/Paris]',
    '',
    1774605600000,
  ])
    it(`refuses ${JSON.stringify(value)}`, () => expect(isTaken(value)).to.equal(false))

  it('whatever is taken reads the same in both readers', () => {
    const draw = makeDraws(5)
    const whole = (least: number, greatest: number): number => Math.floor(draw(least, greatest + 1))
    const oneOf = (words: readonly string[]): string => words[whole(0, words.length - 1)] ?? ''
    const two = (least: number, greatest: number): string => String(whole(least, greatest)).padStart(2, '0')
    let taken = 0
    for (let count = 0; count < 20_000; count++) {
      const value = `${whole(1890, 2210)}-${two(0, 13)}-${two(0, 32)}T${two(0, 25)}:${two(0, 61)}${oneOf(['', `:${two(0, 61)}`, ':00.5', ':00,5'])}${oneOf(['Z', 'z', '', `+${two(0, 26)}:${two(0, 61)}`, `-${two(0, 26)}${two(0, 59)}`])}`
      if (!isTaken(value)) continue
      taken++
      expect(Date.parse(value), value).to.equal(DateTime.fromISO(value).toMillis())
    }
    expect(taken).to.be.greaterThan(500)
  })
})
