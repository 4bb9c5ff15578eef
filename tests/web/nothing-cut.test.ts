import { expect } from 'chai'
import { readdirSync, readFileSync } from 'node:fs'

const room = 'src/web'
/** Where words may end in dots, and where they stand whole instead. */
const mayCut: Readonly<Record<string, string>> = {
  'case/frame/patient-head.tsx': 'given names give way to the family name; whole on a tap and to a reader',
  'screens/board/board-table.tsx': 'a row of a table is one line; whole in the case it opens',
  'screens/board/wall-board.tsx': 'a line of a list across the room; whole in the case',
}

describe('no word of a screen is cut', () => {
  it('cuts words with dots only where they stand whole elsewhere', () => {
    const cutting = (readdirSync(room, { recursive: true }) as string[])
      .filter((file) => /\.(tsx?|css)$/.test(file))
      .filter((file) => /\btruncate\b|\bline-clamp-|text-ellipsis|text-overflow/.test(readFileSync(`${room}/${file}`, 'utf8')))
    expect(cutting.toSorted()).to.deep.equal(Object.keys(mayCut).toSorted())
  })
})
