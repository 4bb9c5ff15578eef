import { expect } from 'chai'
import { layFrame, type LabelWish } from '../../../src/web/lane/kit/lay-frame'
import { rowsFor, spread } from '../../../src/web/lane/kit/spread'
import { cutToWidth, textWidthPx } from '../../../src/web/lane/kit/text-width'
import { makeDraws } from '../../harness/cases/random-draws'

describe('labels along a line', () => {
  it('stay where they want to be when they have room', () => {
    expect(spread([20, 80, 150], [20, 20, 20], 0, 200, 5)).to.deep.equal([20, 80, 150])
  })

  it('share the shift when two want the same place: 50 and 50, 20 wide, 5 apart, stand at 37.5 and 62.5', () => {
    expect(spread([50, 50], [20, 20], 0, 200, 5)).to.deep.equal([37.5, 62.5])
  })

  it('keep apart, in order and within the line, whatever is asked', () => {
    for (let seed = 0; seed < 200; seed++) {
      const between = makeDraws(seed)
      const sizes = Array.from({ length: 1 + Math.floor(between(0, 7)) }, () => between(10, 40))
      const wanted = sizes.map(() => between(-50, 450)).sort((a, b) => a - b)
      const placed = spread(wanted, sizes, 0, 400, 4)
      placed.forEach((at, index) => {
        const half = (sizes[index] ?? 0) / 2
        expect(at - half).to.be.at.least(-1e-9)
        expect(at + half).to.be.at.most(400 + 1e-9)
        const next = placed[index + 1]
        if (next !== undefined) expect(next - (sizes[index + 1] ?? 0) / 2 - (at + half)).to.be.at.least(4 - 1e-9)
      })
    }
  })

  it('of nothing are nothing', () => expect(spread([], [], 0, 100, 5)).to.deep.equal([]))

  it('take a second row when one does not hold them, in turn, and one each where each is too long', () => {
    expect(rowsFor([40, 40], 100, 10)).to.deep.equal([0, 0])
    expect(rowsFor([40, 40, 40, 40], 100, 10)).to.deep.equal([0, 1, 0, 1])
    expect(rowsFor([140, 140], 100, 10)).to.deep.equal([0, 1])
  })

  it('are cut with an ellipsis where they are too long for the drawing', () => {
    expect(cutToWidth('Patella', 13, 200)).to.equal('Patella')
    const cut = cutToWidth('A very long name of a place on the body', 13, 120)
    expect(cut).to.match(/^A very.*…$/)
    expect(textWidthPx(cut, 13)).to.be.at.most(120)
  })
})

describe('a drawing in its frame', () => {
  const bounds = { minX: 0, maxX: 50, minY: -6, maxY: 20 }
  const rails = [{ id: 'top', figure: 'leg', grows: 'up' as const, atCm: 8, fromCm: 10 }]
  const wish = (id: string, x: number): LabelWish => ({ id, rail: 'top', text: '37.5 cm', at: [x, 7] })
  const box = { widthPx: 700, mostHeightPx: 400 }

  it('is as large as the box allows, to one scale, and nothing lies outside of it', () => {
    const { width, height, pxPerCm, place, labels } = layFrame([{ id: 'leg', bounds }], rails, [wish('a', 20), wish('b', 40)], box)
    expect(width).to.equal(700)
    expect(height).to.be.at.most(400)
    const [x0, y0] = place('leg', [0, 0])
    const [x1, y1] = place('leg', [10, 10])
    expect(x1 - x0).to.be.closeTo(10 * pxPerCm, 1e-9)
    expect(y0 - y1).to.be.closeTo(10 * pxPerCm, 1e-9)
    for (const { x, y } of labels) {
      expect(x).to.be.within(0, width)
      expect(y).to.be.within(0, place('leg', [0, 8])[1])
    }
  })

  it('keeps the place of a label that is not shown, so that nothing moves when it is lit', () => {
    const hidden = layFrame([{ id: 'leg', bounds }], rails, [wish('a', 20), { ...wish('b', 22), isHidden: true }], box)
    const lit = layFrame([{ id: 'leg', bounds }], rails, [wish('a', 20), wish('b', 22)], box)
    expect(hidden.labels.map(({ id }) => id)).to.deep.equal(['a'])
    expect(hidden.labels[0]).to.deep.equal(lit.labels[0])
    expect(hidden.pxPerCm).to.equal(lit.pxPerCm)
  })

  it('grows with its labels where they need more rows than the drawing leaves free', () => {
    const many = Array.from({ length: 24 }, (_, index) => wish(String(index), 12 + index))
    const narrow = layFrame([{ id: 'leg', bounds }], rails, many, { widthPx: 300, mostHeightPx: 200 })
    expect(narrow.labels).to.have.length(24)
    for (const { y } of narrow.labels) expect(y).to.be.greaterThan(8)
  })
})
