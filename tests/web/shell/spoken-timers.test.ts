import { expect } from 'chai'
import { timerWords } from '../../../src/web/strip/use-spoken-timers'

const timer = { id: 'set', label: 'Setting', minutes: 5, startedAt: '2026-01-10T08:00:00Z', kind: 'set' } as never

describe('what is said of a timer', () => {
  const endsAt = 1_000_000
  it('is its last minute and its end, and nothing before', () => {
    expect(timerWords({ timer, endsAt }, endsAt - 60_001)).to.equal(null)
    expect(timerWords({ timer, endsAt }, endsAt - 60_000)).to.equal('Setting: one minute left.')
    expect(timerWords({ timer, endsAt }, endsAt - 1)).to.equal('Setting: one minute left.')
    expect(timerWords({ timer, endsAt }, endsAt)).to.equal('Setting: over.')
  })
})
