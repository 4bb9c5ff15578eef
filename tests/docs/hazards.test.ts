import { expect } from 'chai'
import { existsSync, readFileSync } from 'node:fs'

const page = readFileSync(new URL('../../docs/hazards.md', import.meta.url), 'utf8')
const rows = page
  .split('\n')
  .filter((line) => line.startsWith('| ') && !line.startsWith('| hazard'))
  .map((line) => line.split('|').map((cell) => cell.trim()))

describe('docs/hazards.md', () => {
  it('lists hazards, each with a rule, an owner and a test', () => {
    expect(rows.length).to.be.greaterThan(20)
    for (const [, hazard, rule, code, test, owner] of rows) {
      expect(hazard).to.match(/\S/)
      expect(rule).to.match(/\S/)
      expect(code).to.match(/`/)
      expect(owner).to.match(/\S/)
      expect(test).to.match(/`tests\//)
    }
  })

  it('names code and tests that exist', () => {
    for (const match of page.matchAll(/`((?:src|tests)\/[^`]+)`/g)) {
      expect(existsSync(new URL(`../../${match[1] ?? ''}`, import.meta.url)), match[1]).to.equal(true)
    }
  })
})
