import { expect } from 'chai'
import fc from 'fast-check'
import { tileTemplate } from '#core/figures/slabs/tile-template'

const tile = { widthMm: 190, heightMm: 251, overlapMm: 10 }
const box = (widthCm: number, lengthCm: number): [number, number][] => [
  [0, 0],
  [lengthCm, 0],
  [lengthCm, widthCm],
  [0, widthCm],
]

describe('an outline on sheets at 1:1', () => {
  it('takes one sheet when it fits, straight or turned', () => {
    expect(tileTemplate(box(10, 24), tile).pages).to.have.length(1)
    expect(tileTemplate(box(24, 10), tile)).to.include({ isTurned: true, columns: 1, rows: 1 })
  })

  it('takes as few as the overlap allows', () => {
    expect(tileTemplate(box(10, 25.2), tile).pages).to.have.length(2)
    expect(tileTemplate(box(10, 49.2), tile).pages).to.have.length(2)
    expect(tileTemplate(box(10, 49.3), tile).pages).to.have.length(3)
  })

  it('keeps its size in mm to the hundredth, wherever it lay', () => {
    const moved = box(12.3, 45.6).map(([x, y]): [number, number] => [x - 17, y - 6.15])
    const tiled = tileTemplate(moved, tile)
    expect([tiled.widthMm, tiled.heightMm].sort((a, b) => a - b).map((mm) => Math.round(mm * 100) / 100)).to.deep.equal([123, 456])
  })

  it('covers every point of the outline, each page lying over its neighbour', () => {
    fc.assert(
      fc.property(fc.double({ min: 1, max: 60, noNaN: true }), fc.double({ min: 1, max: 120, noNaN: true }), (width, length) => {
        const { outlineMm, pages, columns, rows } = tileTemplate(box(width, length), tile)
        expect(pages).to.have.length(columns * rows)
        for (const [x, y] of outlineMm) {
          const on = pages.filter(
            ({ originMm: [left, top] }) =>
              x >= left - 1e-6 && x <= left + tile.widthMm + 1e-6 && y >= top - 1e-6 && y <= top + tile.heightMm + 1e-6,
          )
          expect(on.length).to.be.at.least(1)
        }
        for (const page of pages.slice(1)) {
          const before = pages[page.number - 2]
          if (before && page.row === before.row)
            expect(page.originMm[0] - before.originMm[0]).to.be.closeTo(tile.widthMm - tile.overlapMm, 1e-9)
        }
      }),
    )
  })

  it('refuses what has no outline, and tiles that are all overlap', () => {
    expect(() => tileTemplate([[0, 0]], tile)).to.throw(RangeError, 'three points')
    expect(() => tileTemplate(box(1, 1), { widthMm: 10, heightMm: 100, overlapMm: 10 })).to.throw(RangeError, 'overlap')
  })
})
