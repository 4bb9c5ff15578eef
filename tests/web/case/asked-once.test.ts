import { expect } from 'chai'
import { askedOnce } from '../../../src/web/case/readings/asked-once'

describe('work that several parts of a page ask for', () => {
  const counted = (most?: number) => {
    let count = 0
    const work = askedOnce((one: object, other: number) => ({ one, other, count: ++count }), most)
    return { work, times: () => count }
  }
  const [case1, case2] = [{}, {}]

  it('is done once for the same things, and all get the same answer', () => {
    const { work, times } = counted()
    expect(work(case1, 1)).to.equal(work(case1, 1))
    expect(times()).to.equal(1)
  })

  it('is done again when one of the things is another, though it looks alike', () => {
    const { work, times } = counted()
    work(case1, 1)
    expect(work(case2, 1)).not.to.equal(work(case1, 1))
    expect(work(case1, 2).other).to.equal(2)
    expect(times()).to.equal(3)
  })

  it('remembers as many answers as are asked for side by side, and forgets the oldest', () => {
    const { work, times } = counted(2)
    work(case1, 1)
    work(case1, 2)
    work(case1, 1)
    expect(times()).to.equal(2)
    work(case1, 3)
    work(case1, 2)
    expect(times()).to.equal(3)
    work(case1, 1)
    expect(times(), 'the oldest was forgotten').to.equal(4)
  })

  it('takes what does not count for the work, but for when it is done again', () => {
    let count = 0
    const work = askedOnce<[thing: string, turn: number], number>(() => ++count)
    expect([work('a', 1), work('a', 1), work('a', 2)]).to.deep.equal([1, 1, 2])
  })
})
