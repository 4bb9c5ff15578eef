import { expect } from 'chai'
import jsQR from 'jsqr'
import { qrModules } from '#ward/story/qr-modules'

/** The code as a camera would see it, some pixels a square, with its border; `soiled` squares are turned. */
function photograph(rows: readonly (readonly boolean[])[], soiled = 0): { pixels: Uint8ClampedArray; size: number } {
  const [scale, border] = [6, 4]
  const size = (rows.length + 2 * border) * scale
  const pixels = new Uint8ClampedArray(size * size * 4).fill(255)
  rows.forEach((row, y) =>
    row.forEach((isDark, x) => {
      const isTurned = soiled > 0 && x > 10 && x < 10 + soiled && y > 10 && y < 10 + soiled
      if (isDark === isTurned) return
      for (let dy = 0; dy < scale; dy++)
        for (let dx = 0; dx < scale; dx++) {
          const at = (((y + border) * scale + dy) * size + (x + border) * scale + dx) * 4
          pixels.set([0, 0, 0], at)
        }
    }),
  )
  return { pixels, size }
}
const readBack = (text: string, soiled = 0): string | undefined => {
  const { pixels, size } = photograph(qrModules(text), soiled)
  return jsQR(pixels, size, size)?.data
}

describe('the code on the bedside label', () => {
  const address = 'https://wren.example:8443/case/01a2182b-b752-71b9-bf71-8e87f6832dc8/watch'

  it('is read back by a reader that did not make it', () => {
    for (const text of [address, 'http://127.0.0.1:3000/case/01a2182b-b752-71b9-bf71-8e87f6832dc8/watch', 'x', 'é'.repeat(40)])
      expect(readBack(text), text).to.equal(text)
  })

  it('is read where a corner of it is soiled', () => expect(readBack(address, 5)).to.equal(address))

  it('is square', () => {
    const rows = qrModules(address)
    for (const row of rows) expect(row).to.have.length(rows.length)
  })
})
