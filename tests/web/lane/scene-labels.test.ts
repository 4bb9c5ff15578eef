import { expect } from 'chai'
import type { Point } from '#core/drawing/points'
import { doesCross, placeNames, type Box } from '../../../src/web/lane/scene-labels'
import { makeDraws } from '../../harness/cases/random-draws'

const page: Box = { left: 0, top: 0, width: 300, height: 240 }

describe('whether a line runs through a box', () => {
  const box: Box = { left: 10, top: 10, width: 20, height: 10 }
  for (const [from, to, crosses] of [
    [[0, 15], [40, 15], true],
    [[0, 0], [40, 25], true],
    [[15, 12], [16, 13], true],
    [[0, 0], [40, 5], false],
    [[0, 30], [40, 30], false],
    [[35, 0], [35, 40], false],
    [[0, 15], [5, 15], false],
  ] as const)
    it(`${from.join(',')} to ${to.join(',')}: ${crosses ? 'yes' : 'no'}`, () => expect(doesCross(from, to, box)).to.equal(crosses))
})

describe('names of a scene', () => {
  it('stand above their place where nothing is in the way', () => {
    const [box] = placeNames([{ id: 'lift', at: [150, 120], width: 60 }], [], [], page, 10)
    expect(box).to.deep.equal({ left: 120, top: 104, width: 60, height: 12 })
  })

  it('are crossed by no line, meet nothing, and stay on the page, between any two cords', () => {
    for (let seed = 0; seed < 200; seed++) {
      const between = makeDraws(seed)
      const knot: Point = [between(100, 200), between(120, 180)]
      const cords: readonly (readonly Point[])[] = [
        [[knot[0] - between(10, 80), 20], knot, [knot[0] + between(10, 80), 20]],
        [
          [20, 200],
          [280, between(190, 215)],
        ],
      ]
      const boxes = placeNames(
        [
          { id: 'lift', at: [knot[0], knot[1] - 30], width: 60 },
          { id: 'hip', at: [between(40, 90), 150], width: 80 },
        ],
        cords,
        [],
        page,
        10,
      )
      for (const box of boxes) {
        expect(
          cords.some((points) => points.some((point, index) => index > 0 && doesCross(points[index - 1]!, point, box))),
          `seed ${seed}`,
        ).to.equal(false)
        expect(box.left).to.be.at.least(0)
        expect(box.left + box.width).to.be.at.most(page.width)
        expect(box.top).to.be.at.least(0)
      }
    }
  })

  it('stand farther off, or moved onto the page, where there is no room beside their place', () => {
    const lower: Box = { left: 0, top: 0, width: 300, height: 200 }
    const [far] = placeNames([{ id: 'ring', at: [290, 60], width: 80 }], [], [lower], page, 10)
    expect(far?.top).to.be.at.least(200)
    const [moved] = placeNames([{ id: 'ring', at: [295, 60], width: 80 }], [], [page], page, 10)
    expect((moved?.left ?? 0) + (moved?.width ?? 0)).to.equal(300)
  })

  it('stand above their place where there is no room anywhere, rather than nowhere', () => {
    const [box] = placeNames([{ id: 'lift', at: [150, 120], width: 60 }], [], [{ left: 0, top: 0, width: 300, height: 240 }], page, 10)
    expect(box?.left).to.equal(120)
  })
})
