import { expect } from 'chai'
import { roundMinutes, scheduleRounds } from '#core/planner/schedule-rounds'
import { liveRounds } from '#core/rounds/live-rounds'
import { defaultProtocol, type Protocol } from '#core/quantities/defaults'

const local: Protocol = {
  ...defaultProtocol,
  name: 'local',
  rounds: {
    usual: [
      { everyMin: 20, times: 3 },
      { everyMin: 60, times: 5 },
    ],
    shifts: ['06:00', '18:00'],
  },
}

describe('rounds by a local list', () => {
  it('come at its intervals, then at its shifts; the at-risk list stays as shipped', () => {
    expect(roundMinutes(false, '2026-01-10T08:00:00Z', 'UTC', 1440, local)).to.deep.equal([20, 40, 60, 120, 180, 240, 300, 360, 600, 1320])
    expect(roundMinutes(true, undefined, undefined, 4320, local)).to.deep.equal(
      roundMinutes(true, undefined, undefined, 4320, defaultProtocol),
    )
  })

  it('is the same list where a plan is made and where the case is watched', () => {
    const list = { startedAt: '2026-01-10T08:00:00Z', zone: 'UTC', isAtRisk: false }
    const live = liveRounds(list, [], local).map((liveRound) => (liveRound.dueAt - Date.parse(list.startedAt)) / 60_000)
    const clinicalCase = {
      technique: 'leg-slab',
      patient: { flags: [] },
      injury: { flags: [], pattern: 'other', swelling: 'none', levelCm: null },
      appliedAt: list.startedAt,
      zone: 'UTC',
    } as unknown as Parameters<typeof scheduleRounds>[0]
    expect(scheduleRounds(clinicalCase, local, 'Round.').map((round) => round.dueMin)).to.deep.equal(live)
  })
})
