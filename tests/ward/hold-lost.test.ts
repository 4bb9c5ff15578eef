import { expect } from 'chai'
import { lostHold, setPart } from '#ward/case/run-clocks'

const startedAt = '2026-03-27T10:00:00Z'
const at = (minutes: number): number => Date.parse(startedAt) + minutes * 60_000
const setting = { timers: [{ id: 'set', label: 'Setting', startedAt, minutes: 5, kind: 'set' as const }] }

describe('a hold that was lost', () => {
  it('is lifted back and held anew before 0.8 of setting, held as it lies after it', () => {
    for (const [minutes, isSoft] of [
      [0, true],
      [3.9, true],
      [4, false],
      [9, false],
    ] as const) {
      const { words, beginsAnew } = lostHold(setPart(setting, at(minutes)))
      expect(words[0], `${minutes} min`).to.match(isSoft ? /^Lift it back/ : /^Hold it as it lies; do not bend/)
      expect(beginsAnew).to.equal(isSoft)
    }
  })
  it('counts as soft where no setting clock runs, and by the last wetting where several did', () => {
    expect(setPart({ timers: [] }, at(3))).to.equal(0)
    // Said to be set too early: it is set.
    expect(setPart({ timers: [{ ...setting.timers[0]!, endedAt: '2026-03-27T10:01:00Z' }] }, at(1))).to.equal(1)
    const later = { id: 'set-2', label: 'Setting', startedAt: '2026-03-27T10:04:00Z', minutes: 5, kind: 'set' as const }
    expect(setPart({ timers: [...setting.timers, later] }, at(5))).to.be.closeTo(0.2, 1e-9)
  })
})
