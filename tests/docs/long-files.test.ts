import { existsSync, readFileSync } from 'node:fs'
import { expect } from 'chai'
// @ts-expect-error scripts are plain JavaScript, so that they run before anything is installed
import { longFiles } from '../../scripts/test-choice.mjs'

const root = new URL('../../', import.meta.url)
const files = longFiles as readonly string[]

describe('what only the long run has', () => {
  it('names files that are there', () => {
    for (const file of files) expect(existsSync(new URL(file, root)), file).to.equal(true)
  })

  it('holds no danger of the interface alone: each has a test in every run', () => {
    const rows = readFileSync(new URL('docs/hazards.md', root), 'utf8')
      .split('\n')
      .filter((line) => /\| interface \|$/.test(line))
    expect(rows.length).to.be.greaterThan(15)
    for (const row of rows) {
      const tests = [...row.matchAll(/`(tests\/[^`]+)`/g)].map((match) => match[1]!)
      expect(
        tests.some((file) => !files.includes(file)),
        row,
      ).to.equal(true)
    }
  })
})
