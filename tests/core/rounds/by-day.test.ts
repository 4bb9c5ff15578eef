import { expect } from 'chai'
import fc from 'fast-check'
import { DateTime } from 'luxon'
import { byDay } from '#core/rounds/by-day'

describe('a review by day', () => {
  const moved = (at: string, zone: string): string | null =>
    DateTime.fromMillis(byDay(Date.parse(at), zone), { zone }).toISO({ suppressMilliseconds: true, suppressSeconds: true })

  it('waits for the morning in the night, comes before the night in the evening, and stays where it is by day', () => {
    expect(moved('2026-03-27T02:12:00Z', 'Europe/Berlin')).to.equal('2026-03-27T08:00+01:00')
    expect(moved('2026-03-27T20:30:00Z', 'Europe/Berlin')).to.equal('2026-03-27T18:00+01:00')
    expect(moved('2026-03-27T12:30:00Z', 'Europe/Berlin')).to.equal('2026-03-27T13:30+01:00')
  })

  it('goes by the clock on the wall on the day on which it changes', () => {
    expect(moved('2026-03-29T01:30:00Z', 'Europe/Berlin')).to.equal('2026-03-29T08:00+02:00')
    expect(moved('2026-10-25T00:30:00Z', 'Europe/Berlin')).to.equal('2026-10-25T08:00+01:00')
  })

  it('is always between eight and six of the same day', () => {
    const zones = fc.constantFrom('Pacific/Kiritimati', 'Asia/Kathmandu', 'America/St_Johns', 'Etc/UTC')
    fc.assert(
      fc.property(fc.integer({ min: 1.7e12, max: 1.9e12 }), zones, (ms, zone) => {
        const [before, after] = [ms, byDay(ms, zone)].map((one) => DateTime.fromMillis(one, { zone }))
        expect(after?.toISODate()).to.equal(before?.toISODate())
        expect(after!.hour + after!.minute / 60).to.be.within(8, 18)
      }),
    )
  })
})
