import { expect } from 'chai'
import type { Measurement } from '#core/model/clinical-case'
import { casesServed, readingsToCarry, wearWords } from '#ward/rounds/related-cases'

const pull = (at: string, kg: number | null, painBefore: number | null, painAfter: number | null) => ({
  at,
  by: 'Ada',
  stepId: 'pull',
  kg,
  painBefore,
  painAfter,
  isEqualLength: true,
  tool: 'scale' as const,
})

/** What one device tells of the other. */
describe('devices of one patient', () => {
  const now = Date.parse('2026-01-10T12:00:00Z')

  it('says how long it pulled, how much at last, and the pain before and after', () => {
    const wear = {
      onSince: '2026-01-10T08:00:00Z',
      offAt: '2026-01-10T11:29:00Z',
      pulls: [pull('2026-01-10T07:58:00Z', 5, 7, 5), pull('2026-01-10T08:10:00Z', 7, 5, 3)],
    }
    expect(wearWords(wear, now)).to.equal('3 h 29 min under pull, 7 kg; pain 7 before, 3 after')
    expect(wearWords({ ...wear, offAt: null }, now)).to.contain('4 h 0 min under pull')
    expect(wearWords({ ...wear, pulls: [pull('2026-01-10T07:58:00Z', null, null, null)] }, now)).to.equal(
      '3 h 29 min under pull; pain not asked before, not asked after',
    )
    expect(wearWords({ ...wear, pulls: [] }, now)).to.equal('3 h 29 min on')
    expect(wearWords({ onSince: null, offAt: null, pulls: [] }, now)).to.equal('not put on')
  })

  it('carries readings that stand, not those that a later one stands for', () => {
    const read = (key: string, more: Partial<Measurement> = {}): Measurement => ({
      id: 'calf-girth',
      side: 'left',
      value: 38,
      key,
      ...more,
    })
    const carried = readingsToCarry({ measurements: [read('a'), read('b', { supersedes: 'a' }), read('c')] })
    expect(carried.map((one) => one.key)).to.deep.equal(['b', 'c'])
  })

  it('lets a look serve the device that was replaced too', () => {
    expect(casesServed({ id: 'b', replaces: 'a' })).to.deep.equal(['b', 'a'])
    expect(casesServed({ id: 'b' })).to.deep.equal(['b'])
  })
})
