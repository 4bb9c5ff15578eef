import { expect } from 'chai'
import { addPoint, mostPoints, startPath } from '../../../src/web/photo/path-points'

describe('points along a path in a photo', () => {
  it('come between the two that lie furthest apart, and leave the ends where they are', () => {
    expect(
      addPoint([
        [0, 0],
        [10, 0],
        [40, 0],
        [50, 0],
      ]),
    ).to.deep.equal([
      [0, 0],
      [10, 0],
      [25, 0],
      [40, 0],
      [50, 0],
    ])
  })

  it('spread evenly however many are added', () => {
    let path = startPath({ width: 1000, height: 500 })
    while (path.length < mostPoints) path = addPoint(path)
    const gaps = path.slice(1).map(([x], index) => x - path[index]![0])
    expect(Math.max(...gaps) / Math.min(...gaps)).to.be.at.most(2.001)
    expect([path[0], path.at(-1)]).to.deep.equal([
      [200, 250],
      [800, 250],
    ])
  })
})
