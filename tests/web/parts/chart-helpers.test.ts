import { expect } from 'chai'
import { spread } from '../../../src/web/parts/end-labels'
import { timeTicks } from '../../../src/web/parts/time-ticks'

describe('what stands at a chart', () => {
  it('names at the ends of lines keep apart and stay inside, each as near to its line as it can', () => {
    const placed = spread([{ y: 50 }, { y: 52 }, { y: 10 }, { y: 99 }, { y: 98 }], 0, 100)
    expect(placed.map(({ y }) => y)).to.deep.equal([10, 50, 65, 85, 100])
    expect(spread([{ y: -20 }], 0, 100)).to.deep.equal([{ y: 0 }])
    expect(spread([], 0, 100)).to.deep.equal([])
  })

  it('ticks stand at round times of the clock, true to scale and never more than have room', () => {
    const from = new Date(2026, 10, 28, 22, 10).getTime()
    expect(timeTicks(from, from + 3_600_000, 6).map(({ text }) => text)).to.deep.equal(['22:15', '22:30', '22:45', '23:00'])
    expect(timeTicks(from, from + 7 * 3_600_000, 6).map(({ text }) => text)).to.deep.equal(['00:00', '02:00', '04:00'])
    expect(timeTicks(from, from + 4 * 86_400_000, 4).map(({ text }) => text)).to.deep.equal([
      'Sun 29 Nov',
      'Mon 30 Nov',
      'Tue 1 Dec',
      'Wed 2 Dec',
    ])
    for (const days of [0.01, 1, 9, 60]) expect(timeTicks(from, from + days * 86_400_000, 6).length).to.be.at.most(days > 42 ? 9 : 6)
  })
})
