import { expect } from 'chai'
import { readFileSync } from 'node:fs'
import { kindTables } from '../../scripts/generate/kind-tables'

describe('tables of the kinds of events', () => {
  for (const { file, text } of kindTables()) {
    it(`${file.replace(/^.*\/src\//, '')} holds the kinds that there are (npm run kinds)`, () => {
      expect(readFileSync(file, 'utf8')).to.equal(text)
    })
  }
})
