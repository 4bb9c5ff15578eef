import { expect } from 'chai'
import type { BoardRow } from '#contract/api/board'
import { forecastAdvice, horizonTasks, isLate } from '../../../src/web/screens/board/horizon-tasks'

const nowMs = Date.parse('2026-11-29T02:00:00Z')

/** Somebody with work so many minutes from now. */
function bed(place: string, level: BoardRow['level'], ...dueMin: readonly number[]): BoardRow {
  const ahead = dueMin.map((min, at) => ({
    id: `round ${at}`,
    name: 'Round',
    dueAt: new Date(nowMs + min * 60_000).toISOString(),
    graceMin: 10,
    takesMin: 5,
  }))
  return { caseId: place, place, level, ahead } as unknown as BoardRow
}

describe('the horizon of the Board', () => {
  it('holds what is owed within four hours and what is late, the earliest first; late is past its grace', () => {
    const tasks = horizonTasks([bed('A1', null, 30, 241), bed('A2', 'urgent', -60, -5)], nowMs)
    expect(tasks.map(({ id, dueMin, tone }) => [id, dueMin, tone])).to.deep.equal([
      ['A2/round 0', -60, 'stop'],
      ['A2/round 1', -5, 'stop'],
      ['A1/round 0', 30, 'note'],
    ])
    expect(tasks.map(isLate)).to.deep.equal([true, false, false])
  })

  it('says where to begin: with the worst that is late, not with the latest', () => {
    const [begin] = forecastAdvice(horizonTasks([bed('A1', 'none', -200), bed('A2', 'urgent', -30), bed('A3', 'warn', -90)], nowMs))
    expect(begin).to.equal('3 late now. Begin with A2: round, 30 min late, something urgent stands there.')
    expect(forecastAdvice(horizonTasks([bed('A1', 'none', 20)], nowMs))[0]).to.equal('Nothing is late.')
  })

  it('says with how many people nothing more ends late, what one fewer costs, and what can wait where nobody suffices', () => {
    const four = Array.from({ length: 4 }, (_, at) => bed(`A${at}`, 'none', 0))
    expect(forecastAdvice(horizonTasks(four, nowMs))[1]).to.equal('2 people do in time all that can still be; with 1, 2 more end late.')
    expect(forecastAdvice(horizonTasks([bed('A1', 'none', 60)], nowMs))[1]).to.equal('1 person does in time all that can still be.')
    const flood = [...Array.from({ length: 60 }, (_, at) => bed(`B${at}`, 'none', 0)), bed('C1', 'none', -60)]
    expect(forecastAdvice(horizonTasks(flood, nowMs))[1]).to.equal(
      'Not even 12 people would be in time for the rest: ask for hands, and leave what is late at quiet limbs (1) for last.',
    )
  })
})
