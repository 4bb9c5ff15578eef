import { expect } from 'chai'
import { readdirSync, readFileSync } from 'node:fs'
import { approvedSheet, without } from '../../scripts/generate/approved-sheet'
import { approvedPath, exampleFile, exampleNames } from '../../scripts/generate/example-files'

/** A clinical figure, word or rule changes only when somebody has read the change: in the sheets under tests/approved. */
describe('approved plans', () => {
  it('are those of the published examples', () => {
    const kept = readdirSync(new URL('../approved/', import.meta.url)).map((name) => name.replace('.txt', ''))
    expect(kept).to.have.members(exampleNames)
  })

  for (const name of exampleNames) {
    it(`${name} plans as it was approved, with every option and flag`, () => {
      const approved = readFileSync(approvedPath(name), 'utf8').split('\n')
      const today = approvedSheet(exampleFile(name)).split('\n')
      const changes = [...without(approved, today).map((line) => `- ${line}`), ...without(today, approved).map((line) => `+ ${line}`)]
      expect(
        today.join('\n') === approved.join('\n'),
        `read the change, then npm run approve-plans:\n${changes.join('\n') || 'the order'}`,
      ).to.equal(true)
    })
  }
})
