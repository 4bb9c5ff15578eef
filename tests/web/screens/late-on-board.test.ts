import { expect } from 'chai'
import type { BoardRow } from '#contract/api/board'
import { lateWork, workDoor, workVerb } from '../../../src/web/case/frame/work-door'

const nowMs = Date.parse('2026-03-27T10:00:00Z')
const at = (min: number): string => new Date(nowMs + min * 60_000).toISOString()
const work = (id: string, name: string, dueMin: number, graceMin = 30) => ({ id, name, dueAt: at(dueMin), graceMin, takesMin: 5 })
const row = (change: Partial<BoardRow>): BoardRow =>
  ({ caseId: 'c1', nextId: 'round', nextWhat: 'Round', nextDueAt: at(-60), graceMin: 15, ahead: [], ...change }) as BoardRow

describe('what of a Board’s line is late', () => {
  it('is what is past its grace, the latest first; of rounds one', () => {
    const ahead = [
      work('round-1', 'Round', -60, 15),
      work('round-2', 'Round', -30, 15),
      work('opening', 'Opening', -200),
      work('care', 'Care', -10),
    ]
    expect(lateWork(row({ ahead }), nowMs)).to.deep.equal([
      { id: 'opening', name: 'Opening', lateMin: 200 },
      { id: 'round', name: 'Round', lateMin: 60 },
    ])
  })
  it('is nothing within the grace, where nothing is due, or on a line from before it was said', () => {
    expect(lateWork(row({ nextDueAt: at(-15) }), nowMs)).to.deep.equal([])
    expect(lateWork(row({ nextDueAt: null }), nowMs)).to.deep.equal([])
    const { nextId: _, ahead: __, ...old } = row({})
    expect(lateWork(old as BoardRow, nowMs)).to.deep.equal([])
  })
  it('is not said twice where it is what comes next', () => {
    const ahead = [work('opening', 'Opening', -60)]
    expect(lateWork(row({ nextId: 'opening', nextWhat: 'Opening', graceMin: 30, ahead }), nowMs)).to.have.length(1)
  })
  it('leads to its form', () => {
    expect(workDoor('c1', 'a b')).to.equal('/case/c1/watch?do=a%20b')
    expect(workVerb({ id: 'round', name: 'Round' })).to.equal('Do the round')
    expect(workVerb({ id: 'opening', name: 'Opening' })).to.equal('Do it: Opening')
  })
})
