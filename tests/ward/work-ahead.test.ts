import { expect } from 'chai'
import { aheadOnBoardH, workAhead } from '#ward/owed/work-ahead'
import { bothLegs } from '../../src/server/demo/findings'
import { boardRowOf } from '../../src/server/ledger/board-row'
import { foldStay } from '../harness/cases/fold-stay'

const { stay, record, event, stayAfter, caseAfter, ms } = foldStay()
const minutesOf = (atMin: number, of = record, its = stay): readonly number[] =>
  workAhead(of, its, ms(atMin)).map((work) => (Date.parse(work.dueAt) - ms(0)) / 60_000)

describe('work ahead of a case', () => {
  it('is every round of the hours ahead, not only the next', () => {
    const due = minutesOf(1)
    expect(due.length).to.be.greaterThan(4)
    expect(due).to.deep.equal([...due].sort((a, b) => a - b))
    expect(new Set(due).size).to.equal(due.length)
    expect(Math.max(...due)).to.be.at.most(1 + aheadOnBoardH * 60)
  })

  it('leaves out what is done, keeps what is late', () => {
    const done = stayAfter(
      event('round', { cases: ['c1'], isBaseline: false, outcome: 'done', reason: '', findings: bothLegs('left') }, 15),
    )
    expect(minutesOf(16, record, done)).to.not.include(15)
    expect(minutesOf(100)[0]).to.be.lessThan(100)
  })

  it('holds what people wrote down, each with its minutes', () => {
    const added = caseAfter(event('task-added', { text: 'Films', dueAt: new Date(ms(90)).toISOString(), who: '' }, 5))
    const films = workAhead(added, stay, ms(6)).find((work) => work.name === 'Films')
    expect(films?.takesMin).to.be.greaterThan(0)
  })

  it('stands on the Board’s line while the device is on, and not after', () => {
    expect(boardRowOf(record, stay, null, ms(1)).ahead?.length).to.be.greaterThan(4)
    const off = caseAfter(event('removed', { reason: 'healed' }, 60))
    expect(boardRowOf(off, stay, null, ms(61)).ahead).to.deep.equal([])
  })
})
