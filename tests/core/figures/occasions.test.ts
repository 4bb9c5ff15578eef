import { expect } from 'chai'
import type { Measurement } from '#core/model/clinical-case'
import { splitOccasions } from '#core/figures/body/occasions'
import { currentReadings } from '#core/figures/body/pool-side'

const at = (value: number, time?: string, occasion?: string): Measurement => ({
  id: 'calf-girth',
  value,
  ...(time ? { at: `2026-01-10T${time}` } : {}),
  ...(occasion ? { occasion } : {}),
})
const values = (groups: readonly (readonly Measurement[])[]): unknown => groups.map((group) => group.map((reading) => reading.value))

describe('occasions of readings', () => {
  it('are split where two hours or more lie between, from one reading to the next', () => {
    expect(values(splitOccasions([at(1, '08:00:00Z'), at(2, '09:59:00Z'), at(3, '11:58:00Z'), at(4, '13:58:00Z')]))).to.deep.equal([
      [1, 2, 3],
      [4],
    ])
  })
  it('put those without a time first, as one', () => {
    expect(values(splitOccasions([at(1, '08:00:00Z'), at(2), at(3)]))).to.deep.equal([[2, 3], [1]])
  })
  it('go by instant, not by text, and the latest counts', () => {
    const readings = [at(1, '09:30:00+02:00', 'zzz'), at(2, '08:00:00Z', 'aaa'), at(3, '08:10:00Z', 'aaa')]
    expect(values(splitOccasions(readings))).to.deep.equal([[1], [2, 3]])
    expect(currentReadings(readings, { id: 'calf-girth' }).map((currentReading) => currentReading.value)).to.deep.equal([2, 3])
    expect(
      currentReadings([at(4, '08:05:00Z'), ...readings], { id: 'calf-girth' }).map((currentReading) => currentReading.value),
    ).to.deep.equal([2, 3])
  })
  it('end at a bound', () => {
    const bound = Date.parse('2026-01-10T08:10:00Z')
    expect(values(splitOccasions([at(1, '08:00:00Z'), at(2, '08:10:00Z')], [bound]))).to.deep.equal([[1], [2]])
    expect(splitOccasions([])).to.deep.equal([])
  })
})
